/**
 * Where mouths stand on levels: which level is a speaker's, and which drawings its mouths show. Out come shots whose mouth level shows what the mouths say.
 */
package chalktrace.core.edit.mouth;
