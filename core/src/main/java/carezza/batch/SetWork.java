package carezza.batch;

import java.util.List;
import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.measure.Gauge;
import carezza.model.Layer;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.routine.Routine;
import carezza.session.Routines;
import carezza.session.Session;
import carezza.set.Figures;
import carezza.set.Member;

/** What is done to members of a set without opening them in the window: their projects change. */
public final class SetWork {

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
   * @param reference colour of the skin that it is lit like, or null for none
   */
  public Done apply(
      Member member, Routine routine, @Nullable Lab reference, Cancellation cancellation)
      throws Problem {
    Document document = ProjectFile.openOrStart(folder.path(member.file()));
    Session session = new Session(document.photograph());
    Routines.Outcome outcome =
        session.routines().applied(document.project(), routine, reference, p -> {}, cancellation);
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
