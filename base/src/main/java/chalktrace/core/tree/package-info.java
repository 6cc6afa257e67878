/**
 * Values as files hold them, whatever the files are written in: what is made goes out as a {@link chalktrace.core.tree.Branch}, what is read comes in
 * through {@link chalktrace.core.tree.Fields}, which says of a wrong field exactly where it stands. Knows no file and no codec. Law: a tree that is
 * written and read again is equal.
 */
package chalktrace.core.tree;
