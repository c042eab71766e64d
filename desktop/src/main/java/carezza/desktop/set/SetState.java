package carezza.desktop.set;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.UnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;

import org.jspecify.annotations.Nullable;

import carezza.batch.SetFolder;
import carezza.batch.SetLooks;
import carezza.batch.SetLooks.Look;
import carezza.batch.SetWork;
import carezza.desktop.state.Status;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.task.Faults;
import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Texts;
import carezza.image.Cancellation;
import carezza.model.Layer;
import carezza.problem.Problem;
import carezza.recipe.Recipe;
import carezza.routine.Routine;
import carezza.set.Figures;
import carezza.set.Member;
import carezza.set.Member.State;
import carezza.set.PictureSet;

/**
 * The set that is open: its members, how they look, which are in hand, and what is done to them
 * behind. Each change is kept in the set's file.
 */
public final class SetState implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("set");

  private final Status status;
  private final SetLooks looks;
  private final TaskRunner tasks;
  private final Lane opening;
  private final Lane looking;
  private final Lane working;
  private final Lane keeping;
  private final Subscriptions subscriptions = new Subscriptions();
  private final ReadOnlyObjectWrapper<@Nullable SetFolder> folder = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<@Nullable PictureSet> set = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<List<Member>> shown = new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<List<String>> missing =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<Set<String>> chosen = new ReadOnlyObjectWrapper<>(Set.of());
  private final ObjectProperty<SetOrder> order = new SimpleObjectProperty<>(SetOrder.SET);
  private final ObjectProperty<@Nullable State> filter = new SimpleObjectProperty<>();
  private final ObservableMap<String, SetLook> seen = FXCollections.observableHashMap();
  private final ObservableMap<String, SetOutcome> outcomes = FXCollections.observableHashMap();

  /**
   * @param kept folder that looks of pictures are kept in
   */
  public SetState(Path kept, Status status, TaskRunner tasks) {
    this.status = status;
    this.tasks = tasks;
    looks = new SetLooks(kept);
    opening = tasks.lane("set");
    looking = tasks.lane("set looks");
    working = tasks.lane("set work");
    keeping = tasks.lane("set file");
    subscriptions.on(this::sort, set, order, filter);
  }

  // --- what it holds

  /** The set, or null before one is open. */
  public ReadOnlyObjectProperty<@Nullable PictureSet> setProperty() {
    return set.getReadOnlyProperty();
  }

  public ReadOnlyObjectProperty<@Nullable SetFolder> folderProperty() {
    return folder.getReadOnlyProperty();
  }

  /** Members in the order they are looked at, without those that the filter hides. */
  public ReadOnlyObjectProperty<List<Member>> shownProperty() {
    return shown.getReadOnlyProperty();
  }

  /** Photographs that are gone from the folder. */
  public ReadOnlyObjectProperty<List<String>> missingProperty() {
    return missing.getReadOnlyProperty();
  }

  /** Photographs in hand, the last one that was taken at the end. */
  public ReadOnlyObjectProperty<Set<String>> chosenProperty() {
    return chosen.getReadOnlyProperty();
  }

  public ObjectProperty<SetOrder> orderProperty() {
    return order;
  }

  /** The only state that is shown, or null for all. */
  public ObjectProperty<@Nullable State> filterProperty() {
    return filter;
  }

  /** By photograph; what is missing is being made. */
  public ObservableMap<String, SetLook> looks() {
    return seen;
  }

  /** What became of members in this run, by photograph. */
  public ObservableMap<String, SetOutcome> outcomes() {
    return outcomes;
  }

  /** The member that was taken in hand last. */
  public Optional<Member> current() {
    PictureSet now = set.get();
    return now == null || chosen.get().isEmpty()
        ? Optional.empty()
        : now.find(List.copyOf(chosen.get()).getLast());
  }

  /** Figures that members are compared with. */
  public Optional<Figures> reference() {
    PictureSet now = set.get();
    return now == null
        ? Optional.empty()
        : now.referenceMember().map(m -> seen.get(m.photograph())).map(SetLook::figures);
  }

  /** The members in hand, in the set's order. */
  public List<Member> inHand() {
    PictureSet now = set.get();
    return now == null
        ? List.of()
        : now.members().stream().filter(m -> chosen.get().contains(m.photograph())).toList();
  }

  // --- opening

  /** Opens a folder, or the set's file in it. */
  public void open(Path place, Runnable then) {
    Path of = SetFolder.of(place).orElse(place);
    SetFolder opened = new SetFolder(of);
    Status.Job job = status.begin(TEXTS.get("opening", of.getFileName()), opening::cancel);
    opening.newest(
        cancellation -> opened.open(),
        contents -> {
          folder.set(opened);
          seen.clear();
          outcomes.clear();
          take(contents);
          choose(contents.set().members().stream().map(Member::photograph).limit(1).toList());
          then.run();
        },
        status::fail,
        job::end);
  }

  /** Looks again at the folder: what came, went or was worked on elsewhere. */
  public void refresh() {
    SetFolder now = folder.get();
    PictureSet known = set.get();
    if (now == null || known == null) {
      return;
    }
    opening.newest(cancellation -> now.scanned(known), this::take, status::fail);
  }

  private void take(SetFolder.Contents contents) {
    missing.set(contents.missing());
    set.set(contents.set());
    look();
  }

  /** Shows what is kept at once, then makes what is not, one after the other. */
  private void look() {
    SetFolder at = folder.get();
    PictureSet now = set.get();
    if (at == null || now == null) {
      return;
    }
    List<Member> there =
        now.members().stream().filter(m -> !missing.get().contains(m.photograph())).toList();
    Set<String> before = Set.copyOf(seen.keySet());
    Status.Job job = status.beginUnasked(TEXTS.get("looking"), looking::cancel);
    looking.newest(
        cancellation -> {
          List<Member> unknown = new ArrayList<>();
          for (Member member : there) {
            cancellation.check();
            Optional<Look> known = looks.known(at, member);
            known.ifPresentOrElse(l -> show(at, member, SetLook.of(l)), () -> unknown.add(member));
          }
          for (Member member : unknown) {
            cancellation.check();
            if (!before.contains(member.photograph())) {
              glimpse(at, member);
            }
          }
          int done = 0;
          for (Member member : unknown) {
            cancellation.check();
            double share = (double) done++ / unknown.size();
            tasks.atHome(() -> job.progress(share));
            makeLook(at, member, cancellation);
          }
          return unknown;
        },
        made -> fingerprints(at, there),
        status::fail,
        job::end);
  }

  private void glimpse(SetFolder at, Member member) {
    try {
      show(at, member, SetLook.glimpse(looks.glimpse(at, member)));
    } catch (Problem e) {
      // Said when the look itself is made.
    }
  }

  private void makeLook(SetFolder at, Member member, Cancellation cancellation) {
    try {
      show(at, member, SetLook.of(looks.made(at, member, cancellation)));
    } catch (Problem e) {
      tasks.atHome(() -> outcomes.put(member.photograph(), SetOutcome.failed(e.getMessage())));
    }
  }

  private void show(SetFolder at, Member member, SetLook look) {
    tasks.atHome(
        () -> {
          if (at == folder.get()) {
            seen.put(member.photograph(), look);
            if (order.get() == SetOrder.OUTLIERS) {
              sort();
            }
          }
        });
  }

  /** By these, photographs are found again when they are renamed. */
  private void fingerprints(SetFolder at, List<Member> there) {
    keeping.newest(
        cancellation -> {
          List<Member> known = new ArrayList<>();
          for (Member member : there) {
            cancellation.check();
            known.add(at.known(member));
          }
          return known;
        },
        known ->
            known.forEach(
                k ->
                    edit(
                        k.photograph(),
                        m -> k.sha256() == null ? m : m.known(k.sha256(), k.bytes()))),
        status::fail);
  }

  private void sort() {
    PictureSet now = set.get();
    if (now == null) {
      shown.set(List.of());
      return;
    }
    List<Member> some =
        now.members().stream()
            .filter(m -> filter.get() == null || m.state() == filter.get())
            .toList();
    shown.set(order.get().sorted(some, seen, reference().orElse(null)));
  }

  // --- members

  /** Takes these in hand, and nothing else. */
  public void choose(List<String> photographs) {
    chosen.set(Collections.unmodifiableSet(new LinkedHashSet<>(photographs)));
  }

  /** Takes one more in hand, or lays it down. */
  public void chooseToo(String photograph) {
    List<String> more = new ArrayList<>(chosen.get());
    if (!more.remove(photograph)) {
      more.add(photograph);
    }
    choose(more);
  }

  /** Changes a member and keeps the set. */
  public void edit(String photograph, UnaryOperator<Member> change) {
    PictureSet now = set.get();
    if (now != null) {
      keep(now.edit(photograph, change));
    }
  }

  /** Moves the member in hand among the others. */
  public void move(int by) {
    PictureSet now = set.get();
    current()
        .ifPresent(
            m -> {
              if (now != null) {
                keep(now.moved(m.photograph(), now.members().indexOf(m) + by));
              }
            });
  }

  /** Compares all with the member in hand. */
  public void compareWithCurrent() {
    PictureSet now = set.get();
    current()
        .ifPresent(
            m -> {
              if (now != null) {
                keep(now.comparedWith(m.photograph()));
              }
            });
  }

  private void keep(PictureSet changed) {
    if (changed.equals(set.get())) {
      return;
    }
    set.set(changed);
    SetFolder at = folder.get();
    if (at != null) {
      keeping.inTurn(() -> at.keep(changed), status::fail);
    }
  }

  /** A project was saved: if it is one of the set's, it is in work and looks otherwise. */
  public void saved(Path file) {
    memberAt(file)
        .ifPresent(
            m -> {
              edit(m.photograph(), was -> was.with(file.getFileName().toString()));
              look();
            });
  }

  /** The picture of a file was delivered. */
  public void delivered(Path file) {
    memberAt(file).ifPresent(m -> edit(m.photograph(), was -> was.in(State.DELIVERED)));
  }

  private Optional<Member> memberAt(Path file) {
    SetFolder at = folder.get();
    PictureSet now = set.get();
    if (at == null || now == null || !at.folder().equals(file.toAbsolutePath().getParent())) {
      return Optional.empty();
    }
    String name = file.getFileName().toString();
    int dot = name.lastIndexOf('.');
    String stem = dot > 0 ? name.substring(0, dot) : name;
    return now.members().stream()
        .filter(
            m -> m.photograph().equals(name) || name.equals(m.project()) || m.title().equals(stem))
        .findFirst();
  }

  // --- work on many

  private interface Piece {
    SetOutcome of(SetWork work, Member member, int number, Cancellation cancellation)
        throws Exception;
  }

  /** Lays a routine on the members in hand, lit like the reference if there is one. */
  public void apply(Routine routine) {
    double light = reference().map(Figures::stops).orElse(0.0);
    String of = Optional.ofNullable(set.get()).map(PictureSet::reference).orElse("");
    each(
        TEXTS.get("applying", routine.name()),
        inHand(),
        (work, member, number, cancellation) -> {
          SetWork.Done done =
              work.apply(member, routine, member.photograph().equals(of) ? 0 : light, cancellation);
          return new SetOutcome(done.member(), routine.name(), done.outside(), done.measured(), "");
        });
  }

  /**
   * Brings light and balance of the members in hand to those of the reference.
   *
   * @param named gives new layers their names
   */
  public void bring(UnaryOperator<Layer> named) {
    Optional<Figures> reference = reference();
    if (reference.isEmpty()) {
      status.say(TEXTS.get("no-reference"));
      return;
    }
    each(
        TEXTS.get("bringing"),
        inHand(),
        (work, member, number, cancellation) ->
            SetOutcome.of(work.broughtTo(reference.get(), member, named, cancellation)));
  }

  /** Plans the members in hand. */
  public void plan() {
    each(
        TEXTS.get("planning"),
        inHand(),
        (work, member, number, cancellation) -> SetOutcome.of(work.planned(member, cancellation)));
  }

  /** Delivers all that are finished, and those that were delivered before and are in hand. */
  public void deliver(Recipe recipe) {
    PictureSet now = set.get();
    if (now == null) {
      return;
    }
    List<Member> finished =
        now.members().stream()
            .filter(
                m ->
                    m.state() == State.FINISHED
                        || m.state() == State.DELIVERED && chosen.get().contains(m.photograph()))
            .toList();
    if (finished.isEmpty()) {
      status.say(TEXTS.get("none-finished"));
      return;
    }
    each(
        TEXTS.get("delivering", recipe.name()),
        finished,
        (work, member, number, cancellation) ->
            SetOutcome.of(work.delivered(member, number, recipe, cancellation)));
  }

  private void each(String words, List<Member> members, Piece piece) {
    SetFolder at = folder.get();
    PictureSet now = set.get();
    if (at == null || now == null || members.isEmpty()) {
      return;
    }
    SetWork work = new SetWork(at);
    Status.Job job = status.begin(words, working::cancel);
    working.newest(
        cancellation -> {
          int failed = 0;
          for (int i = 0; i < members.size(); i++) {
            cancellation.check();
            double share = (double) i / members.size();
            tasks.atHome(() -> job.progress(share));
            Member member = members.get(i);
            SetOutcome outcome = one(piece, work, member, now.members(), cancellation);
            failed += outcome.problem().isEmpty() ? 0 : 1;
            tasks.atHome(() -> came(member, outcome));
          }
          return failed;
        },
        failed -> {
          status.say(
              failed == 0
                  ? TEXTS.get("done", members.size())
                  : TEXTS.get("done-but", members.size() - failed, failed));
          look();
        },
        status::fail,
        job::end);
  }

  private static SetOutcome one(
      Piece piece, SetWork work, Member member, List<Member> all, Cancellation cancellation) {
    try {
      return piece.of(work, member, all.indexOf(member) + 1, cancellation);
    } catch (CancellationException e) {
      throw e;
    } catch (Exception e) {
      // One that fails does not stop the others.
      Faults.log("set work", e);
      return SetOutcome.failed(Faults.said(e));
    }
  }

  private void came(Member member, SetOutcome outcome) {
    outcomes.put(member.photograph(), outcome);
    Member changed = outcome.member();
    if (changed != null) {
      edit(
          member.photograph(),
          now ->
              new Member(
                  now.photograph(),
                  changed.project(),
                  now.sha256(),
                  now.bytes(),
                  changed.state(),
                  changed.minutes(),
                  now.notes()));
    }
  }

  @Override
  public void close() {
    subscriptions.close();
    opening.close();
    looking.close();
    working.close();
    keeping.finish();
  }
}
