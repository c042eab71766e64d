package carezza.desktop.state;

import java.util.ArrayList;
import java.util.List;

import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Texts;
import carezza.model.FaceMap;
import carezza.model.Project;
import carezza.session.Session;

/**
 * Looks for faces: by itself once a photograph without a map is on the screen, and when it is asked
 * to.
 */
public final class FaceState {

  private static final Texts TEXTS = Texts.of("state");

  private final DocumentState document;
  private final Status status;
  private final Lane looking;

  public FaceState(DocumentState document, Status status, TaskRunner tasks) {
    this.document = document;
    this.status = status;
    looking = tasks.lane("face");
    document.sessionProperty().subscribe((was, is) -> looking.cancel());
    document
        .seenProperty()
        .subscribe(
            (was, is) -> {
              if (is && document.project().faces() == null) {
                find();
              }
            });
  }

  /**
   * Looks for the faces behind the scenes. On a photograph just opened the maps become part of it;
   * where there is a map already, looking again is a step that can be undone.
   */
  public void find() {
    looking.cancel();
    Project asked = document.project();
    Session here = document.session();
    boolean first = asked.faces() == null;
    Status.Job job =
        first
            ? status.beginUnasked(TEXTS.get("faceState.looking-for-the-face"), looking::cancel)
            : status.begin(TEXTS.get("faceState.looking-for-the-face"), looking::cancel);
    looking.newest(
        cancellation -> here.faces().withFacesAnew(asked, cancellation).allFaces(),
        found -> {
          if (here == document.session()) {
            take(found, first);
          }
        },
        status::fail,
        job::end);
  }

  private void take(List<FaceMap> found, boolean first) {
    if (found.isEmpty()) {
      status.say(TEXTS.get("faceState.no-face-was-found-press-f"));
      return;
    }
    if (first && document.settled().faces() == null) {
      document.amend(p -> p.withAllFaces(found));
    } else {
      document.edit(null, p -> p.withAllFaces(found));
    }
    status.say(
        found.size() == 1
            ? TEXTS.get("faceState.face-found-f-shows-its-map")
            : TEXTS.get("faceState.faces-found-gauges-are-of-the", found.size()));
  }

  /** Puts a map that was placed by hand to the others, in the place of one of the same face. */
  public void add(FaceMap map) {
    document.edit(
        null,
        p -> {
          List<FaceMap> all = new ArrayList<>(p.allFaces());
          all.removeIf(map::sameFaceAs);
          all.add(map);
          return p.withAllFaces(all);
        });
  }

  /** Takes out the map that was added last. */
  public void dropLast() {
    document.edit(
        null,
        p ->
            p.allFaces().isEmpty()
                ? p
                : p.withAllFaces(p.allFaces().subList(0, p.allFaces().size() - 1)));
  }
}
