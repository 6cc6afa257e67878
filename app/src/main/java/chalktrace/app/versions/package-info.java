/** The states before saves: listed, looked at beside or over the shot, taken back part by part. */
package chalktrace.app.versions;
