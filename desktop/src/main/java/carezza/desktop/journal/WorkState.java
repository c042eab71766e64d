package carezza.desktop.journal;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Supplier;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.AppState;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.task.Lane;
import carezza.image.PictureSize;
import carezza.job.Band;
import carezza.kernel.LayerType;
import carezza.measure.Gauge;
import carezza.model.Brief;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.plan.Finding;
import carezza.plan.Plan;
import carezza.record.Activity;
import carezza.record.Delivered;
import carezza.record.FindingEnd;
import carezza.record.LayerChange;
import carezza.record.Pace;
import carezza.record.Phase;
import carezza.record.Span;
import carezza.record.WorkClock;
import carezza.record.WorkClock.Moment;
import carezza.record.WorkRecord;
import carezza.session.Session;
import carezza.studio.JournalEntry;

/**
 * Counts the time that is worked on the document and keeps the record of what is done to it: in the
 * document, so that it travels, and in the studio's journal.
 */
public final class WorkState implements DocumentState.Recorder, AutoCloseable {

  /** Pause after which the picture in the journal is brought up to date. */
  private static final Duration REST = Duration.ofSeconds(2);

  /** How far back the retoucher's pace is learned from. */
  private static final Duration LEARNED_FROM = Duration.ofDays(400);

  /** Pixels of the longer side of what the journal shows. */
  private static final int SHOWN = 512;

  private static final String DELIVERY = "deliver";
  private static final String BENCH = "bench";

  private final AppState state;
  private final DocumentState document;
  private final JournalKeeper keeper;
  private final Supplier<Moment> time;
  private final WorkClock clock;
  private final Lane pictures;
  private final Subscriptions subscriptions = new Subscriptions();

  private String view = "";
  private boolean counts;
  private boolean waits;
  private LayerStack recorded = LayerStack.EMPTY;
  private @Nullable Session kept;
  private @Nullable Map<String, Finding.State> findings;
  private @Nullable Brief estimatedFor;

  /**
   * @param time tells what it is
   * @param zone whose midnight parts the days
   */
  public WorkState(AppState state, JournalKeeper keeper, Supplier<Moment> time, ZoneId zone) {
    this.state = state;
    this.keeper = keeper;
    this.time = time;
    document = state.document();
    clock = new WorkClock(zone);
    pictures = state.tasks().lane("pictures of the journal");
    document.recordedBy(this);
    subscriptions.on(state.plan().planProperty(), this::follow);
    subscriptions.on(state.measurements().gaugesProperty(), is -> show());
    subscriptions.on(
        this::followWaits, state.status().jobProperty(), state.view().awaitedProperty());
  }

  // --- time

  /** A key, a button or the pointer moved; asked for every one of them. */
  public void input() {
    if (counts && !document.isEmpty()) {
      take(clock.input(time.get(), activity()));
    }
  }

  /**
   * Another view is shown.
   *
   * @param id of it
   * @param ofDocument whether it shows the document at work; other views are no work on it
   */
  public void viewIs(String id, boolean ofDocument) {
    if (!ofDocument) {
      rest();
    }
    view = id;
    counts = ofDocument;
  }

  /** The window is not at hand: nothing is counted until the next input. */
  public void rest() {
    if (!document.isEmpty()) {
      take(clock.stop(time.get()));
      recordLayers();
    }
  }

  private void followWaits() {
    boolean is = state.status().jobProperty().get() != null || state.view().awaitedProperty().get();
    if (is != waits) {
      waits = is;
      if (is) {
        clock.waitBegins(time.get());
      } else {
        clock.waitEnds(time.get());
      }
    }
  }

  private Activity activity() {
    if (view.equals(DELIVERY)) {
      return new Activity(Phase.DELIVER, null, null, DELIVERY);
    }
    if (!view.equals(BENCH)) {
      return new Activity(Phase.LOOK, null, null, view);
    }
    String tool = state.tools().tool().name().toLowerCase(Locale.ROOT);
    Layer layer = state.selection().layer().orElse(null);
    return layer == null
        ? new Activity(Phase.LOOK, null, null, tool)
        : new Activity(
            Phase.of(layer.attributes().stage()),
            layer.attributes().id(),
            LayerType.key(layer),
            tool);
  }

  /** Layers are compared where a span ends by what the hand does, not while a value is dragged. */
  private void take(List<Span> ended) {
    count(ended);
    if (!ended.isEmpty()) {
      recordLayers();
    }
  }

  private void count(List<Span> ended) {
    for (Span span : ended) {
      document.record(r -> r.plus(span));
      Span whole = record().spans().getLast();
      keep();
      String id = record().id();
      write(journal -> journal.add(id, whole));
    }
  }

  @Override
  public void roundOff() {
    if (!document.isEmpty()) {
      count(clock.roundOff(time.get()));
    }
  }

  @Override
  public void leaves() {
    if (!document.isEmpty()) {
      roundOff();
      recordLayers();
    }
  }

  /** The picture at work, as the journal knows it; null where there is none or nothing was done. */
  public @Nullable String picture() {
    return document.isEmpty() || kept != document.session() ? null : record().id();
  }

  private WorkRecord record() {
    return document.recordProperty().get();
  }

  // --- documents

  @Override
  public void begins(Project project) {
    clock.stop(time.get());
    pictures.cancel();
    recorded = project.stack();
    kept = null;
    findings = null;
    estimatedFor = null;
    learn();
  }

  /** Asks the journal how long the retoucher takes. */
  private void learn() {
    Instant now = time.get().wall();
    keeper.read(
        journal ->
            Pace.of(
                journal.between(now.minus(LEARNED_FROM), now).stream()
                    .map(JournalEntry::work)
                    .toList()),
        state.plan()::paceIs);
  }

  /** The picture's line in the journal, the first time with the photograph. */
  private void keep() {
    if (kept == document.session() || document.isRestrained()) {
      return;
    }
    kept = document.session();
    Session session = document.session();
    Project project = document.settled();
    JournalEntry entry = entry();
    write(
        journal -> {
          journal.keep(entry);
          journal.showAsShot(entry.id(), session.store().asShot(project, SHOWN));
        });
  }

  /** Exercises are no pictures of the studio's. */
  private void write(JournalKeeper.Use use) {
    if (!document.isRestrained()) {
      keeper.write(use);
    }
  }

  private JournalEntry entry() {
    Project project = document.settled();
    return new JournalEntry(
        project.title(), project.photograph().name(), project.brief().job(), record());
  }

  /** The picture was measured anew, so there is one to show. */
  private void show() {
    if (kept == null || kept != document.session()) {
      return;
    }
    Session session = document.session();
    Project project = document.settled();
    pictures.rested(
        REST,
        cancellation -> session.store().glance(project),
        glance -> {
          if (session == document.session()) {
            JournalEntry entry = entry();
            write(
                journal -> {
                  journal.keep(entry);
                  journal.showFinished(entry.id(), glance);
                });
          }
        },
        state.status()::fail);
  }

  // --- what is done

  private void recordLayers() {
    LayerStack now = document.settled().stack();
    if (now == recorded) {
      return;
    }
    for (LayerChange change : LayerChanges.between(recorded, now, time.get().wall())) {
      document.record(r -> r.plus(change));
      keep();
      String id = record().id();
      write(journal -> journal.add(id, change));
    }
    recorded = now;
  }

  private void follow(@Nullable Plan plan) {
    if (plan == null) {
      findings = null;
      return;
    }
    estimate(plan);
    Map<String, Finding.State> before = findings;
    Map<String, Finding.State> now = new HashMap<>();
    for (Finding finding : plan.findings()) {
      now.put(finding.key(), finding.state());
      Finding.State was = before == null ? finding.state() : before.get(finding.key());
      if (was == null ? finding.state() != Finding.State.OPEN : was != finding.state()) {
        ended(finding);
      }
    }
    findings = now;
  }

  private void ended(Finding finding) {
    FindingEnd end =
        new FindingEnd(
            time.get().wall(),
            finding.key(),
            finding.kind(),
            finding.state(),
            finding.undoneBy(),
            known(finding.asShot().value()),
            known(finding.now().value()),
            finding.table());
    document.record(r -> r.plus(end));
    keep();
    String id = record().id();
    write(journal -> journal.add(id, end));
  }

  /** What the plan had for the picture before it was worked on, or for what was agreed on anew. */
  private void estimate(Plan plan) {
    Brief brief = document.settled().brief();
    boolean agreedAnew = estimatedFor != null && !estimatedFor.equals(brief);
    boolean begun = !record().changes().isEmpty() || document.settled().stack() != recorded;
    if (record().estimate() == 0 || agreedAnew || !begun) {
      double minutes =
          plan.minutes(plan.proposed())
              + plan.minutes(
                  plan.findings().stream()
                      .filter(f -> f.state() == Finding.State.TREATED)
                      .toList());
      document.record(r -> r.estimated(minutes));
      if (kept == document.session()) {
        JournalEntry entry = entry();
        write(journal -> journal.keep(entry));
      }
    }
    estimatedFor = brief;
  }

  /**
   * A file was written.
   *
   * @param project as it was written
   */
  public void delivered(Path file, PictureSize size, Project project) {
    leaves();
    Instant now = time.get().wall();
    Delivered written =
        new Delivered(
            now,
            String.valueOf(file.getFileName()),
            size.width(),
            size.height(),
            state.measurements().gaugesProperty().get().stream().map(WorkState::read).toList(),
            LayerChanges.all(project.stack(), now));
    document.record(r -> r.plus(written));
    keep();
    JournalEntry entry = entry();
    write(
        journal -> {
          journal.keep(entry);
          journal.add(entry.id(), written);
        });
    learn();
  }

  private static Delivered.Read read(Gauge gauge) {
    Band band = gauge.band();
    return new Delivered.Read(
        gauge.id(),
        gauge.where(),
        gauge.unit(),
        known(gauge.before()),
        known(gauge.after()),
        band == null ? null : known(band.low()),
        band == null ? null : known(band.high()));
  }

  private static @Nullable Double known(double value) {
    return Double.isFinite(value) ? value : null;
  }

  @Override
  public void close() {
    rest();
    subscriptions.close();
    pictures.close();
    keeper.close();
  }
}
