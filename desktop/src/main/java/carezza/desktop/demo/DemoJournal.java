package carezza.desktop.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import carezza.image.Cancellation;
import carezza.plan.Finding;
import carezza.plan.FindingKind;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.record.Activity;
import carezza.record.Delivered;
import carezza.record.FindingEnd;
import carezza.record.LayerChange;
import carezza.record.Phase;
import carezza.record.Span;
import carezza.record.WorkRecord;
import carezza.session.Session;
import carezza.studio.JournalEntry;
import carezza.studio.StudioJournal;

/** Some days of work on the cast's head shots, made up, for pictures of the journal. */
public final class DemoJournal {

  private static final int SHOWN = 512;

  /** Layers that stages were worked with, in the stages' order. */
  private static final List<String> KINDS =
      List.of(
          "exposure",
          "heal",
          "frequencySeparation",
          "dodgeBurn",
          "toneEvening",
          "curve",
          "teeth",
          "sharpen");

  private DemoJournal() {}

  /**
   * A picture's work.
   *
   * @param minutes looked, in each stage, and delivered
   */
  private record Work(
      String title, String job, int day, double estimate, boolean delivered, double... minutes) {}

  private static final List<Work> WORKS =
      List.of(
          new Work(
              "The Milliner", "portrait", 6, 10, true, .8, .4, 4.6, 1.4, 3.2, 1, 0, .9, .3, .5),
          new Work("The Prompter", "headshot", 5, 4, true, .4, .6, 1.1, .6, 0, .5, 0, .8, .2, .4),
          new Work(
              "The Stage Carpenter",
              "character",
              4,
              9,
              true,
              .6,
              1,
              1.2,
              0,
              4.2,
              0,
              1.4,
              .3,
              .8,
              .4),
          new Work(
              "The Lighthouse Keeper",
              "portrait",
              3,
              12,
              true,
              .7,
              .5,
              2.6,
              1.1,
              2.7,
              1.1,
              .6,
              1.2,
              .3,
              .3),
          new Work("The Cellist", "headshot", 2, 9, true, .4, .6, 1.4, .7, 2.1, .5, .4, .6, .2, .2),
          new Work(
              "The Ferry Pilot",
              "portrait",
              1,
              11.5,
              true,
              .5,
              .5,
              2.9,
              1.4,
              2.8,
              .9,
              .6,
              1.1,
              .5,
              .4));

  /**
   * Writes the works of the days before a moment.
   *
   * @throws Problem if the journal cannot be used
   */
  public static void fill(StudioJournal journal, Instant now) throws Problem {
    Document understudy = Demo.understudy();
    Session session = new Session(understudy.photograph());
    byte[] asShot = session.store().asShot(understudy.project(), SHOWN);
    byte[] finished = session.store().finished(understudy.project(), SHOWN, Cancellation.NONE);
    for (Work work : WORKS) {
      write(journal, work, now.minus(Duration.ofDays(work.day())));
    }
    Work own =
        new Work(
            "The Understudy", "portrait", 0, 8.5, true, .6, .5, 2.4, .8, 1.9, .7, .3, .8, .3, .4);
    String id = understudy.project().photograph().sha256();
    write(journal, own, now.minus(Duration.ofHours(1)), id);
    journal.showAsShot(id, asShot);
    journal.showFinished(id, finished);
  }

  private static void write(StudioJournal journal, Work work, Instant start) throws Problem {
    write(journal, work, start, work.title());
  }

  private static void write(StudioJournal journal, Work work, Instant start, String id)
      throws Problem {
    journal.keep(
        new JournalEntry(
            work.title(),
            work.title().toLowerCase(Locale.ROOT).replace(' ', '-') + ".jpg",
            work.job(),
            WorkRecord.of(id).estimated(work.estimate())));
    Instant at = start;
    for (Phase phase : Phase.values()) {
      Duration time = Duration.ofSeconds(Math.round(work.minutes()[phase.ordinal()] * 60));
      boolean stage = phase != Phase.LOOK && phase != Phase.DELIVER;
      String kind = stage ? KINDS.get(phase.ordinal() - 1) : null;
      if (!time.isZero()) {
        Activity doing = new Activity(phase, kind, kind, "hand");
        journal.add(id, new Span(at, time, Duration.ZERO, doing));
        at = at.plus(time);
      }
      if (kind != null && !time.isZero()) {
        journal.add(id, new LayerChange(at, LayerChange.What.ADDED, kind, kind, "", Map.of()));
      }
    }
    end(journal, id, at, FindingKind.BLEMISHES, Finding.State.TREATED, 9, 1, 2.2);
    end(journal, id, at, FindingKind.TEETH, Finding.State.TREATED, 21, 12, 0.5);
    if (work.day() % 2 == 1) {
      end(journal, id, at, FindingKind.SCLERA, Finding.State.BACK, 9, 11, 0.5);
    }
    journal.add(
        id, new Delivered(at, work.title() + ".jpg", 2048, 2560, gauges(work.day()), List.of()));
  }

  private static void end(
      StudioJournal journal,
      String id,
      Instant at,
      FindingKind kind,
      Finding.State state,
      double before,
      double after,
      double minutes)
      throws Problem {
    journal.add(id, new FindingEnd(at, kind.key(), kind, state, "curve", before, after, minutes));
  }

  private static List<Delivered.Read> gauges(int day) {
    return List.of(
        new Delivered.Read("textureKept", "face_skin", "%", 100.0, 97.0 - day, 85.0, 115.0),
        new Delivered.Read("rednessBlotch", "face_skin", "mD", 112.0, 71.0 + day, 56.0, 90.0),
        new Delivered.Read("neckMatch", "neck_skin", "ΔE00", 2.6, 0.9, null, 1.5),
        new Delivered.Read("teethYellow", "teeth", "b*", 21.0, 12.0 + day / 4.0, 6.0, 14.0));
  }
}
