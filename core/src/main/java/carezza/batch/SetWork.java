package carezza.batch;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.function.DoubleConsumer;
import java.util.function.UnaryOperator;

import carezza.client.DropBox;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.measure.Gauge;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.plan.Plan;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.recipe.NamePattern.Words;
import carezza.recipe.Recipe;
import carezza.routine.Routine;
import carezza.session.Routines;
import carezza.session.Session;
import carezza.set.Figures;
import carezza.set.Member;
import carezza.set.Member.State;

/** What is done to members of a set without opening them in the window: their projects change. */
public final class SetWork {

  /** Folder below the set's that deliveries go to. */
  public static final String DELIVERED = "delivered";

  private final SetFolder folder;

  public SetWork(SetFolder folder) {
    this.folder = folder;
  }

  /**
   * What became of a member.
   *
   * @param outside gauges that ended outside their bands
   * @param measured layers with values that were measured on this picture
   */
  public record Done(Member member, List<Gauge> outside, List<Layer> measured) {}

  /**
   * Lays a routine on a member's picture and keeps its project; the photograph is only read.
   *
   * @param progress 0 … 1
   * @param reference stops that it is to be exposed above what it asks for by itself
   */
  public Done apply(
      Member member,
      Routine routine,
      double reference,
      DoubleConsumer progress,
      Cancellation cancellation)
      throws Problem {
    Document document = ProjectFile.openOrStart(folder.path(member.file()));
    Session session = new Session(document.photograph());
    Routines.Outcome outcome =
        session.routines().applied(document.project(), routine, reference, progress, cancellation);
    List<Layer> measured =
        outcome.project().stack().layers().stream()
            .filter(l -> !routine.rules(l.attributes().id()).isEmpty())
            .toList();
    return new Done(
        kept(member, document, session, outcome.project(), cancellation),
        outcome.outside(),
        measured);
  }

  /**
   * Lays a layer on a member's picture as it is; one that was copied before is replaced. Job and
   * all other layers stay.
   *
   * @param layer as {@link carezza.routine.RoutineMaker#alone} leaves it
   */
  public Member copied(Member member, Layer layer, Cancellation cancellation) throws Problem {
    Document document = ProjectFile.openOrStart(folder.path(member.file()));
    Session session = new Session(document.photograph());
    Project project = session.faces().withFace(document.project(), cancellation);
    String id = layer.attributes().id();
    LayerStack stack =
        project.stack().find(id).isPresent()
            ? project.stack().edit(id, l -> layer)
            : project.stack().with(layer);
    return kept(member, document, session, project.withStack(stack), cancellation);
  }

  /**
   * Brings a member's light and colour balance to those of the reference, by layers of their own.
   *
   * @param named gives new layers their names
   */
  public Member broughtTo(
      Figures reference, Member member, UnaryOperator<Layer> named, Cancellation cancellation)
      throws Problem {
    Document document = ProjectFile.openOrStart(folder.path(member.file()));
    Session session = new Session(document.photograph());
    Project project = session.faces().withFace(document.project(), cancellation);
    Project brought = session.treatments().broughtTo(project, reference, named, cancellation);
    return brought.equals(project)
        ? member
        : kept(member, document, session, brought, cancellation);
  }

  /** The member with the minutes that its plan asks for; planned, if it was as shot. */
  public Member planned(Member member, Cancellation cancellation) throws Problem {
    Document document = ProjectFile.openOrStart(folder.path(member.file()));
    Session session = new Session(document.photograph());
    Project project = session.faces().withFace(document.project(), cancellation);
    Plan plan = session.planning().plan(project, cancellation);
    Member timed = member.taking(plan.minutes(plan.open()));
    return member.state() == State.AS_SHOT ? timed.in(State.PLANNED) : timed;
  }

  /**
   * Writes all files of a recipe for a member. What is there is replaced only where the member was
   * delivered before.
   *
   * @param number of the member in its set, from 1
   * @return the member as delivered
   */
  public Member delivered(Member member, int number, Recipe recipe, Cancellation cancellation)
      throws Problem {
    written(member, number, recipe, cancellation);
    return member.in(State.DELIVERED);
  }

  /** As above, and copies of the files go into a drop-box. */
  public Member sent(
      Member member, int number, Recipe recipe, DropBox box, Cancellation cancellation)
      throws Problem {
    box.send(written(member, number, recipe, cancellation), member.photograph());
    return member.in(State.DELIVERED);
  }

  private List<Path> written(Member member, int number, Recipe recipe, Cancellation cancellation)
      throws Problem {
    Document document = ProjectFile.openOrStart(folder.path(member.file()));
    Words words = new Words(document.project().title(), number, LocalDate.now(), member.title());
    return new Session(document.photograph())
        .exports()
        .deliver(
            document.project(),
            recipe,
            folder.folder().resolve(DELIVERED),
            words,
            member.state() == State.DELIVERED,
            file -> false,
            cancellation);
  }

  private Member kept(
      Member member, Document document, Session session, Project project, Cancellation cancellation)
      throws Problem {
    String name = member.project() == null ? member.title() + ProjectFile.ENDING : member.project();
    // A project that the member has is its own to replace; another one that has its name is not.
    session
        .store()
        .save(
            document.with(project, null),
            AtomicFile.of(folder.path(name), member.project() != null),
            cancellation);
    return member.with(name);
  }
}
