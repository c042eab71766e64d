package carezza.studio;

import org.jspecify.annotations.Nullable;

import carezza.record.WorkRecord;

/**
 * A picture in the journal.
 *
 * @param title as the project is called
 * @param photograph name of its file
 * @param job that it was done for, as in files
 * @param asShot a small JPEG of the photograph, or null
 * @param finished a small JPEG of the picture as it was seen last, or null
 * @param work what was done to it on this machine
 */
public record JournalEntry(
    String title,
    String photograph,
    String job,
    byte @Nullable [] asShot,
    byte @Nullable [] finished,
    WorkRecord work) {

  public JournalEntry worked(WorkRecord record) {
    return new JournalEntry(title, photograph, job, asShot, finished, record);
  }
}
