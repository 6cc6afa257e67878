/**
 * The command line: one class a subcommand, which says its options, does its work without a window and answers in words or JSON. Exit codes: 0 done, 1
 * bad input, 2 bad usage, 3 findings.
 */
package chalktrace.app.cli;
