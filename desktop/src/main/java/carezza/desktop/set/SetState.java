package carezza.desktop.set;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.MapChangeListener;
import javafx.collections.ObservableMap;

import org.jspecify.annotations.Nullable;

import carezza.batch.SetFolder;
import carezza.desktop.state.Status;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Texts;
import carezza.set.Figures;
import carezza.set.Member;
import carezza.set.Member.State;
import carezza.set.PictureSet;

/**
 * The set that is open: its members, how they look and which are in hand. Each change is kept in
 * the set's file.
 */
public final class SetState implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("set");

  private final Status status;
  private final SetPictures pictures;
  private final Lane opening;
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
  private Consumer<SetPictures.Failure> failed = f -> {};

  /**
   * @param kept folder that looks of pictures are kept in
   * @param side shorter side of a thumbnail, in pixels of the screen
   */
  public SetState(Path kept, double side, Status status, TaskRunner tasks) {
    this.status = status;
    pictures = new SetPictures(kept, side, status, tasks);
    opening = tasks.lane("set");
    keeping = tasks.lane("set file");
    subscriptions.on(this::sort, set, order, filter);
    pictures
        .seen()
        .addListener(
            (MapChangeListener<String, SetLook>)
                change -> {
                  if (order.get() == SetOrder.OUTLIERS) {
                    sort();
                  }
                });
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
    return pictures.seen();
  }

  /** Is told of members that cannot be looked at. */
  public void onFailure(BiConsumer<Member, String> follow) {
    failed = f -> follow.accept(f.member(), f.problem());
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
        : now.referenceMember().map(m -> looks().get(m.photograph())).map(SetLook::figures);
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
          pictures.clear();
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

  /** Looks at the members as their files are now. */
  void look() {
    SetFolder at = folder.get();
    PictureSet now = set.get();
    if (at == null || now == null) {
      return;
    }
    List<Member> there =
        now.members().stream().filter(m -> !missing.get().contains(m.photograph())).toList();
    pictures.look(at, there, failed, () -> fingerprints(at, there));
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
        known -> {
          PictureSet now = set.get();
          if (now != null && at == folder.get()) {
            keep(now.knowing(known));
          }
        },
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
    shown.set(order.get().sorted(some, looks(), reference().orElse(null)));
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

  @Override
  public void close() {
    subscriptions.close();
    opening.close();
    pictures.close();
    keeping.finish();
  }
}
