package carezza.session;

import java.nio.file.Path;

import carezza.file.AtomicFile;
import carezza.kernel.LayerType;
import carezza.model.DodgeBurnLayer;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.model.Stroke;
import carezza.project.Document;
import carezza.project.ProjectFile;

/** A program that paints, keeps and saves without end, to be killed by {@link JournalTest}. */
public final class JournalVictim {

  private JournalVictim() {}

  /**
   * @param arguments folder of the journal, the photograph, the project to save to
   */
  public static void main(String[] arguments) throws Exception {
    Journal journal = new Journals(Path.of(arguments[0])).begin();
    Document document = ProjectFile.start(Path.of(arguments[1]));
    Path file = Path.of(arguments[2]);
    DodgeBurnLayer layer = (DodgeBurnLayer) LayerType.DODGE_BURN.fresh();
    Project project = document.project().withStack(LayerStack.of(layer));
    String id = layer.attributes().id();
    for (int strokes = 1; ; strokes++) {
      Stroke stroke = Stroke.dab(strokes % 60, strokes % 40, 9, 1);
      project =
          project.edit(
              id,
              l -> {
                DodgeBurnLayer d = (DodgeBurnLayer) l;
                return d.withMasks(d.dodgeMask().painted(stroke), d.burnMask());
              });
      journal.keep(document.with(project, file), strokes, new byte[0]);
      System.out.println(strokes);
      if (strokes % 3 == 0) {
        ProjectFile.save(document.with(project, file), AtomicFile.replacing(file), new byte[] {1});
      }
    }
  }
}
