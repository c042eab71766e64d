package carezza.desktop.command;

import java.io.PrintWriter;
import java.io.StringWriter;

import picocli.CommandLine;

/**
 * A command as it ended.
 *
 * @param out what it said about what it did
 * @param err what it said about what went wrong
 */
record CommandRun(int code, String out, String err) {

  static CommandRun of(Object... arguments) {
    CommandLine line = Carezza.commandLine();
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    line.setOut(new PrintWriter(out, true));
    line.setErr(new PrintWriter(err, true));
    String[] words = new String[arguments.length];
    for (int i = 0; i < words.length; i++) {
      words[i] = arguments[i].toString();
    }
    int code = line.execute(words);
    return new CommandRun(code, out.toString(), err.toString());
  }
}
