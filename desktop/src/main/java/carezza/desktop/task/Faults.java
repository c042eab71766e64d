package carezza.desktop.task;

import carezza.problem.Problem;

/**
 * What the retoucher is told of a failure: a {@link Problem}'s own sentence, or that the program is
 * at fault.
 */
public final class Faults {

  private static final System.Logger LOG = System.getLogger(Faults.class.getName());

  private Faults() {}

  /** One sentence; where the program is at fault, it names the log. */
  public static String said(Throwable e) {
    if (e instanceof Problem problem) {
      return problem.getMessage();
    }
    if (e instanceof OutOfMemoryError) {
      return new Problem(e, Problem.Kind.MEMORY_SPENT).getMessage();
    }
    String sentence = new Problem(e, Problem.Kind.PROGRAM_FAULT).getMessage();
    return FaultLog.file().map(file -> sentence + " Details: " + file).orElse(sentence);
  }

  /**
   * Notes a fault of the program with all that is known of it; what the retoucher can act on needs
   * no note.
   *
   * @param where the work that it happened in
   */
  public static void log(String where, Throwable e) {
    if (!(e instanceof Problem)) {
      LOG.log(System.Logger.Level.ERROR, "A fault of the program, in “" + where + "”", e);
    }
  }
}
