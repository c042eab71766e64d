package carezza.desktop.task;

import carezza.problem.Problem;

/** What the retoucher is told of a failure: a {@link Problem}'s own sentence, or that the program is at fault. */
public final class Faults {

  private static final System.Logger LOG = System.getLogger(Faults.class.getName());

  private Faults() {}

  /** One sentence. A fault of the program is logged with all that is known of it. */
  public static String said(Throwable e) {
    if (e instanceof Problem problem) {
      return problem.getMessage();
    }
    LOG.log(System.Logger.Level.ERROR, "A fault of the program", e);
    return problem(e).getMessage();
  }

  /** As a problem, whatever it is. */
  static Problem problem(Throwable e) {
    return e instanceof Problem problem
        ? problem
        : new Problem(
            e,
            e instanceof OutOfMemoryError
                ? Problem.Kind.MEMORY_SPENT
                : Problem.Kind.PROGRAM_FAULT);
  }
}
