package carezza.studio;

import carezza.record.WorkRecord;

/**
 * A picture in the journal.
 *
 * @param title as the project is called
 * @param photograph name of its file
 * @param job that it was done for, as in files
 * @param work what was done to it on this machine
 */
public record JournalEntry(String title, String photograph, String job, WorkRecord work) {

  public String id() {
    return work.id();
  }

  public JournalEntry worked(WorkRecord record) {
    return new JournalEntry(title, photograph, job, record);
  }

  /** Whether a file of it was written. */
  public boolean isDelivered() {
    return !work.deliveries().isEmpty();
  }
}
