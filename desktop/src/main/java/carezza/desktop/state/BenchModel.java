package carezza.desktop.state;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;

import carezza.desktop.geometry.FacePlacing;
import carezza.desktop.task.Faults;
import carezza.desktop.task.Lane;
import carezza.measure.Gauge;
import carezza.model.CurveLayer.Channel;
import carezza.model.FrequencySeparationLayer;
import carezza.model.FrequencySeparationLayer.LowBandArea;
import carezza.model.HealLayer;
import carezza.model.History;
import carezza.model.Layer;
import carezza.model.LayerKind;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.model.Stage;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.render.RenderInput;
import carezza.session.Session;

/**
 * The state of the bench: the project with its history, the selection, the playhead, the brush. All
 * of it lives on the interface thread; measuring and searching run behind and report back.
 */
public final class BenchModel implements AutoCloseable {

  /** Pause in the work after which the gauges are read. */
  private static final long SETTLING_MILLIS = 200;

  /** Strength of a stroke of light to begin with: it builds up. */
  private static final double LIGHT_STRENGTH = 0.05;

  /** Strength of a stroke of colour to begin with. */
  private static final double FLOW = 0.15;

  private final ReadOnlyObjectWrapper<Project> project = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyBooleanWrapper dirty = new ReadOnlyBooleanWrapper();
  private final ReadOnlyBooleanWrapper undoable = new ReadOnlyBooleanWrapper();
  private final ReadOnlyBooleanWrapper redoable = new ReadOnlyBooleanWrapper();
  private final ReadOnlyIntegerWrapper commits = new ReadOnlyIntegerWrapper();
  private final ObjectProperty<String> selected = new SimpleObjectProperty<>();
  private final IntegerProperty playhead = new SimpleIntegerProperty();
  private final ViewState viewing = new ViewState(this);
  private final MaskPartState part = new MaskPartState(this);
  private final ObjectProperty<Pen> pen = new SimpleObjectProperty<>(Pen.MOUSE);
  private final ObjectProperty<ToolKind> tool = new SimpleObjectProperty<>(ToolKind.HAND);
  private final ObjectProperty<Brush> brush = new SimpleObjectProperty<>(new Brush(24, 0.5, 1));
  private final AdviceState advising = new AdviceState(this);
  private final ColourState colouring = new ColourState(this);
  private final CropState framing = new CropState(this);
  private final PinState pins = new PinState(this);
  private final ObjectProperty<Channel> curveChannel =
      new SimpleObjectProperty<>(Channel.LUMINANCE);
  private final SpotState spotHint = new SpotState(this);
  private final RepairState mending = new RepairState(this);
  private final ProposalState proposals = new ProposalState(this);
  private final BooleanProperty lifting = new SimpleBooleanProperty();
  private final ObjectProperty<List<Gauge>> gauges = new SimpleObjectProperty<>(List.of());
  private final ObjectProperty<Map<String, Double>> radii = new SimpleObjectProperty<>(Map.of());
  private final BooleanProperty measuring = new SimpleBooleanProperty();
  private final StringProperty message = new SimpleStringProperty("");
  private final ObjectProperty<Path> path = new SimpleObjectProperty<>();

  private final Lane measurer = Lane.droppable("gauges");
  private final Lane finder = new Lane("sources");
  private final Lane faceFinder = new Lane("face");
  private Document document;
  private Session session;
  private History history;

  // --- opening and saving

  /** Puts another retouch on the bench; what was there is gone from it. */
  public void put(Document opened) {
    document = opened;
    session = new Session(opened.photograph());
    history = new History(opened.project());
    path.set(opened.path());
    select(null);
    mending.forget();
    proposals.drop();
    gauges.set(List.of());
    show(history.present());
    playhead.set(opened.project().stack().size());
    message.set("");
    if (opened.project().faces() == null) {
      findFace();
    }
  }

  /**
   * Looks for the faces behind the scenes. On a photograph just opened the maps become part of it; where
   * there is a map already, looking again is a step that can be undone.
   */
  public void findFace() {
    Project asked = project.get();
    Session here = session;
    boolean first = asked.faces() == null;
    message.set("Looking for the face …");
    faceFinder.newest(
        cancellation -> here.withFacesAnew(asked, cancellation).allFaces(),
        found -> {
          if (here != session) {
            return;
          }
          if (found.isEmpty()) {
            message.set("No face was found; press F and place its map by five clicks");
            return;
          }
          Project with = history.present().withAllFaces(found);
          if (first && history.present().faces() == null) {
            history.amend(with);
          } else {
            history.advance(with, null);
          }
          show(history.present());
          message.set(
              found.size() == 1
                  ? "Face found; F shows its map"
                  : found.size() + " faces found; gauges are of the largest, F shows their maps");
        },
        this::fail);
  }

  /** What is on the bench is not what lies in its file. */
  public void markUnsaved() {
    history.unsaved();
    tellState();
  }

  /** Steps taken on the bench that can be undone. */
  public int steps() {
    return history == null ? 0 : history.steps();
  }

  public boolean isEmpty() {
    return document == null;
  }

  public Session session() {
    return session;
  }

  /** The retouch as it stands now. */
  public Document retouch() {
    return document.with(project.get(), path.get());
  }

  /** Remembers that the project lies in this file as it was then. */
  public void savedAs(Path file, Project what) {
    path.set(file);
    history.saved(what);
    tellState();
    message.set(
        "Saved "
            + file.getFileName()
            + (document.source() == null
                ? ""
                : "; it links to " + document.source().getFileName() + ", so keep both"));
  }

  // --- editing

  /**
   * Makes a change that can be undone.
   *
   * @param label steps in a row with the same label are one undo; null for a step of its own
   */
  public void edit(String label, UnaryOperator<Project> change) {
    int before = project.get().stack().size();
    boolean atEnd = playhead.get() >= before;
    history.advance(change.apply(history.present()), label);
    show(history.present());
    if (atEnd) {
      playhead.set(project.get().stack().size());
    }
  }

  /** Changes the selected layer. */
  public void editSelected(String label, UnaryOperator<Layer> change) {
    String id = selected.get();
    if (id != null) {
      edit(label == null ? null : label + id, p -> p.edit(id, change));
    }
  }

  /** Ends a run of steps with one label, when a slider or a handle is let go. */
  public void settle() {
    if (history != null) {
      history.settle();
    }
  }

  /** Shows a project that is not part of the history yet, while a stroke is being painted. */
  public void preview(UnaryOperator<Project> change) {
    // The hand comes before the numbers; they are read again when it rests.
    measurer.cancel();
    project.set(change.apply(history.present()));
  }

  public void undo() {
    if (history != null) {
      mending.choose(Set.of());
      show(history.undo());
      keepPlayhead();
    }
  }

  public void redo() {
    if (history != null) {
      mending.choose(Set.of());
      show(history.redo());
      keepPlayhead();
    }
  }

  public boolean canUndo() {
    return history != null && history.canUndo();
  }

  public boolean canRedo() {
    return history != null && history.canRedo();
  }

  /** Adds a layer on top of its stage and selects it. */
  public void add(LayerKind kind) {
    Layer fresh = kind.fresh();
    edit(null, p -> p.withStack(p.stack().with(fresh)));
    place(fresh);
  }

  /** Adds several layers in their order, as one step, and selects the last. */
  public void add(List<Layer> fresh) {
    edit(
        null,
        p -> {
          LayerStack stack = p.stack();
          for (Layer layer : fresh) {
            stack = stack.with(layer);
          }
          return p.withStack(stack);
        });
    place(fresh.getLast());
  }

  private void place(Layer fresh) {
    select(fresh.attributes().id());
    playhead.set(Math.max(playhead.get(), stack().indexOf(fresh.attributes().id()) + 1));
  }

  public void removeSelected() {
    String id = selected.get();
    if (id != null) {
      select(null);
      edit(null, p -> p.withStack(p.stack().without(id)));
      keepPlayhead();
    }
  }

  private void keepPlayhead() {
    playhead.set(Math.min(playhead.get(), stack().size()));
    if (selected.get() != null && stack().indexOf(selected.get()) < 0) {
      select(null);
    }
  }

  private void show(Project shown) {
    project.set(shown);
    tellState();
    findSources();
    measure();
  }

  /** What follows from the history; said even where the picture was shown before, while it was painted. */
  private void tellState() {
    dirty.set(!history.isSaved());
    undoable.set(history.canUndo());
    redoable.set(history.canRedo());
    commits.set(commits.get() + 1);
  }

  /** How the picture is looked at. */
  public ViewState viewing() {
    return viewing;
  }

  /** The part of the selected layer's mask in hand. */
  public MaskPartState part() {
    return part;
  }

  /** Suggests a radius for the spot under the pointer. */
  public SpotState spotHint() {
    return spotHint;
  }

  /** Advice on the selected layer. */
  public AdviceState advising() {
    return advising;
  }

  /** What is known of the colours that the selected layer works on. */
  public ColourState colouring() {
    return colouring;
  }

  /** The frame of what is delivered. */
  public CropState framing() {
    return framing;
  }

  /** Places whose colours stay in sight. */
  public PinState pins() {
    return pins;
  }

  /** What the curve that is edited is on. */
  public ObjectProperty<Channel> curveChannelProperty() {
    return curveChannel;
  }

  /** Gives up what is being looked for or measured on request. */
  public void stopLooking() {
    proposals.stop();
    advising.stop();
    colouring.stop();
  }

  /** Shows places of the face to lift and to deepen, or hides them. */
  public void turnContours() {
    advising.turnContours();
  }

  /** Takes what is advised for the selected layer. */
  public void takeAdvice() {
    advising.take();
  }

  /** Repairs in hand. */
  public RepairState mending() {
    return mending;
  }

  /** Blemishes to decide on. */
  public ProposalState proposals() {
    return proposals;
  }

  // --- behind the scenes

  /** Looks for the sources of repairs that have none yet, and keeps them in the project. */
  private void findSources() {
    boolean open =
        stack().layers().stream()
            .anyMatch(
                l ->
                    l instanceof HealLayer heal
                        && heal.patches().stream().anyMatch(HealLayer.Patch::open));
    if (!open) {
      return;
    }
    Project asked = project.get();
    Session here = session;
    finder.newest(
        cancellation -> here.withSources(asked, cancellation),
        found -> {
          if (here == session && asked.equals(history.present())) {
            history.amend(found);
            project.set(found);
            tellState();
          }
        },
        this::fail);
  }

  private void measure() {
    Project asked = project.get();
    Session here = session;
    measuring.set(true);
    measurer.newest(
        cancellation -> {
          // Wait for a pause in the work: the picture comes before its numbers.
          Thread.sleep(SETTLING_MILLIS);
          cancellation.check();
          return new Measured(
              here.gauges(asked, cancellation), here.separationRadii(asked, cancellation));
        },
        read -> {
          measuring.set(false);
          radii.set(read.radii());
          gauges.set(read.gauges());
        },
        this::fail);
  }

  private record Measured(List<Gauge> gauges, Map<String, Double> radii) {}

  /** Tells the retoucher; anything that is no {@link Problem} is a fault of the program. */
  public void fail(Exception e) {
    message.set(Faults.said(e));
  }

  // --- selection and view

  public LayerStack stack() {
    return project.get() == null ? LayerStack.EMPTY : project.get().stack();
  }

  public Optional<Layer> selectedLayer() {
    return selected.get() == null ? Optional.empty() : stack().find(selected.get());
  }

  /** Selects a layer, or none, and takes up the tool that goes with it. */
  public void select(String id) {
    // Nothing in hand while the selection changes: a tool belongs to one kind of layer.
    tool.set(ToolKind.HAND);
    part.forget();
    mending.choose(Set.of());
    proposals.stop();
    selected.set(id);
    ToolKind fitting =
        selectedLayer()
            .map(
                layer ->
                    switch (layer) {
                      case HealLayer l -> ToolKind.HEAL;
                      case carezza.model.DodgeBurnLayer l -> ToolKind.DODGE;
                      case carezza.model.NeutralPointsLayer l -> ToolKind.PICK_MIDDLE;
                      case carezza.model.ColourPaintLayer l -> ToolKind.MASK;
                      default -> ToolKind.HAND;
                    })
            .orElse(ToolKind.HAND);
    tool.set(fitting);
    if (fitting == ToolKind.DODGE) {
      brush.set(
          new Brush(Math.max(40, brush.get().radius()), 1, LIGHT_STRENGTH, brush.get().inside()));
    } else if (fitting == ToolKind.MASK) {
      brush.set(new Brush(Math.max(40, brush.get().radius()), 1, FLOW, brush.get().inside()));
    } else if (fitting == ToolKind.HEAL) {
      brush.set(new Brush(Math.min(24, brush.get().radius()), 0.35, 1));
    }
  }

  /** Takes up the tool that places a face by five clicks. */
  public void beginFace() {
    select(null);
    tool.set(ToolKind.PLACE_FACE);
    message.set(FacePlacing.START);
  }

  /** Selects the top layer of a stage. */
  public void goTo(Stage stage) {
    stack().layers().reversed().stream()
        .filter(l -> l.attributes().stage() == stage)
        .findFirst()
        .ifPresentOrElse(
            l -> select(l.attributes().id()),
            () -> message.set(stage.title() + " has no layer yet; add one with its +"));
  }

  /** The scene to show; to be made off the interface thread, as new regions may have to be found. */
  public static RenderInput scene(Session session, Project project, int layers) {
    return session.scene(project).through(layers);
  }

  /** Adds a blurred outline to the selected separation. */
  public void evenArea(LowBandArea area) {
    editSelected(
        null,
        l -> {
          FrequencySeparationLayer fs = (FrequencySeparationLayer) l;
          List<LowBandArea> more = new java.util.ArrayList<>(fs.areas());
          more.add(area);
          return fs.withAreas(more);
        });
  }

  public ReadOnlyObjectProperty<Project> projectProperty() {
    return project.getReadOnlyProperty();
  }

  public ReadOnlyBooleanProperty dirtyProperty() {
    return dirty.getReadOnlyProperty();
  }

  /** Whether there is a step to undo. */
  public ReadOnlyBooleanProperty undoableProperty() {
    return undoable.getReadOnlyProperty();
  }

  /** Whether there is a step to do again. */
  public ReadOnlyBooleanProperty redoableProperty() {
    return redoable.getReadOnlyProperty();
  }

  /** Goes up with every step, undo, redo, save and whatever is found behind the scenes. */
  public ReadOnlyIntegerProperty commitsProperty() {
    return commits.getReadOnlyProperty();
  }

  public ObjectProperty<String> selectedProperty() {
    return selected;
  }

  public IntegerProperty playheadProperty() {
    return playhead;
  }

  public ObjectProperty<Pen> penProperty() {
    return pen;
  }

  public ObjectProperty<ToolKind> toolProperty() {
    return tool;
  }

  public ObjectProperty<Brush> brushProperty() {
    return brush;
  }

  public BooleanProperty liftingProperty() {
    return lifting;
  }

  public ObjectProperty<List<Gauge>> gaugesProperty() {
    return gauges;
  }

  /** Sigma that each separation works with, by layer, in photograph pixels; as last measured. */
  public ObjectProperty<Map<String, Double>> radiiProperty() {
    return radii;
  }

  public BooleanProperty measuringProperty() {
    return measuring;
  }

  public StringProperty messageProperty() {
    return message;
  }

  public ObjectProperty<Path> pathProperty() {
    return path;
  }

  @Override
  public void close() {
    measurer.close();
    finder.close();
    faceFinder.close();
    advising.close();
    colouring.close();
    pins.close();
    spotHint.close();
    mending.close();
    proposals.close();
  }
}
