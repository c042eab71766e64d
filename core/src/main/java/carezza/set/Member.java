package carezza.set;

import org.jspecify.annotations.Nullable;

/**
 * A photograph of a set.
 *
 * @param photograph its file, relative to the set's folder
 * @param project the project begun on it, relative to the set's folder, or null
 * @param sha256 of the photograph's file, or null before it was read
 * @param bytes of the photograph's file when it was read
 * @param state how far it is
 * @param minutes that the plan has for it; 0 before there is one
 * @param notes the retoucher's own words
 */
public record Member(
    String photograph,
    @Nullable String project,
    @Nullable String sha256,
    long bytes,
    State state,
    double minutes,
    String notes) {

  /** How far a picture is, from first to last. */
  public enum State {
    AS_SHOT,
    PLANNED,
    IN_WORK,
    FINISHED,
    DELIVERED
  }

  /** One that nothing is known of yet. */
  public static Member fresh(String photograph) {
    return new Member(photograph, null, null, 0, State.AS_SHOT, 0, "");
  }

  /** What it is called: its photograph's name without an ending. */
  public String title() {
    String name = photograph.substring(photograph.lastIndexOf('/') + 1);
    int dot = name.lastIndexOf('.');
    return dot > 0 ? name.substring(0, dot) : name;
  }

  /** The file that is opened to go on with it. */
  public String file() {
    return project == null ? photograph : project;
  }

  public Member in(State newState) {
    return new Member(photograph, project, sha256, bytes, newState, minutes, notes);
  }

  public Member taking(double newMinutes) {
    return new Member(photograph, project, sha256, bytes, state, newMinutes, notes);
  }

  public Member noted(String newNotes) {
    return new Member(photograph, project, sha256, bytes, state, minutes, newNotes);
  }

  /** With a project; one that nothing was done to is in work from then on. */
  public Member with(String newProject) {
    State now = state.compareTo(State.IN_WORK) < 0 ? State.IN_WORK : state;
    return new Member(photograph, newProject, sha256, bytes, now, minutes, notes);
  }

  public Member known(String newSha256, long newBytes) {
    return new Member(photograph, project, newSha256, newBytes, state, minutes, notes);
  }

  /**
   * With what was done to it, as long as it took, and its state then; notes stay as they are now.
   */
  public Member doneAs(Member done) {
    return new Member(photograph, done.project, sha256, bytes, done.state, done.minutes, notes);
  }

  /** The same photograph under another name. */
  public Member moved(String newPhotograph) {
    return new Member(newPhotograph, project, sha256, bytes, state, minutes, notes);
  }
}
