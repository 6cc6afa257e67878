/** The step in which reference is measured: points, paths, graphs, proposals of marks, what rides on a point. */
package chalktrace.app.study;
