package carezza.desktop.state;

import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.model.HealLayer;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.session.Session;

/** Looks for the sources of repairs that have none yet, and keeps what it finds in the project. */
public final class RepairSources {

  private final DocumentState document;
  private final Status status;
  private final Lane finding;

  public RepairSources(DocumentState document, Status status, TaskRunner tasks) {
    this.document = document;
    this.status = status;
    finding = tasks.lane("sources");
    document.sessionProperty().subscribe((was, is) -> finding.cancel());
    document.commitsProperty().subscribe((was, is) -> find());
  }

  private static boolean open(LayerStack stack) {
    return stack.layers().stream()
        .anyMatch(
            l ->
                l instanceof HealLayer heal
                    && heal.patches().stream().anyMatch(HealLayer.Patch::open));
  }

  private void find() {
    Project asked = document.project();
    if (!open(asked.stack())) {
      return;
    }
    Session here = document.session();
    finding.newest(
        cancellation -> here.repairs().withSources(asked, cancellation),
        found -> {
          if (here == document.session() && asked.equals(document.settled())) {
            document.amend(p -> found);
          }
        },
        status::fail);
  }
}
