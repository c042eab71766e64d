/** The command line: one class for each verb. */
package carezza.desktop.command;
