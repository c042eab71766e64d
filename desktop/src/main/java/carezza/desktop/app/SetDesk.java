package carezza.desktop.app;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

import carezza.batch.SetFolder;
import carezza.batch.SetLooks;
import carezza.codec.PictureReader;
import carezza.desktop.file.FileWrites;
import carezza.desktop.file.OwnFiles;
import carezza.desktop.set.SetJobs;
import carezza.desktop.set.SetState;
import carezza.desktop.sheet.ContactSheet;
import carezza.desktop.sheet.Paper;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Beside;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.Status;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.state.Workspace;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Texts;
import carezza.desktop.view.deliver.ProposedNames;
import carezza.desktop.view.deliver.Recipes;
import carezza.desktop.view.set.SetView;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.recipe.Recipe;
import carezza.record.WorkRecord;
import carezza.routine.Routine;
import carezza.session.Session;
import carezza.set.Member;
import carezza.set.PictureSet;

/** The set beside the document at work: what is saved or delivered there is told here. */
final class SetDesk implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("app");

  private final AppState state;
  private final DocumentState document;
  private final Lane pinning;
  private final Workspace workspace;
  private final OwnFiles<Routine> routines;
  private final OwnFiles<Recipe> recipes;
  private final SetLooks looks;
  private final SetState set;
  private final SetJobs jobs;
  private final Subscriptions subscriptions = new Subscriptions();
  private String recordSeen = "";
  private int deliveriesSeen;

  SetDesk(AppState state, Workspace workspace, Path home) {
    this.state = state;
    this.document = state.document();
    pinning = state.tasks().droppable("pinned picture");
    this.workspace = workspace;
    routines = OwnFiles.routines(home);
    recipes = OwnFiles.recipes(home);
    looks = new SetLooks(home.resolve("looks"));
    set =
        new SetState(home.resolve("looks"), SetView.thumbnailSide(), state.status(), state.tasks());
    jobs =
        new SetJobs(set, state.status(), state.tasks(), routines::all, recipes::all, this::isOpen);
    subscriptions.on(this::saved, document.dirtyProperty(), document.pathProperty());
    subscriptions.on(this::delivered, document.recordProperty());
  }

  SetState set() {
    return set;
  }

  SetJobs jobs() {
    return jobs;
  }

  OwnFiles<Routine> routines() {
    return routines;
  }

  /** Opens a sheet on a recipe. */
  interface RecipeEditor {
    void edit(Recipe from, String name, Function<Recipe, String> keep);
  }

  Recipes recipes(RecipeEditor editor) {
    return new Recipes() {
      @Override
      public List<Recipe> all() {
        return recipes.all();
      }

      @Override
      public boolean isOwn(Recipe recipe) {
        return recipes.isOwn(recipe);
      }

      @Override
      public void edit(Recipe recipe, boolean another, Runnable done) {
        String name = another ? TEXTS.get("setDesk.recipe-like", recipe.name()) : recipe.name();
        editor.edit(
            recipe,
            name,
            made -> {
              boolean same = !another && made.name().equals(recipe.name());
              String problem = recipes.keep(made, same);
              if (problem.isEmpty()) {
                if (!another && !same) {
                  recipes.remove(recipe);
                }
                done.run();
              }
              return problem;
            });
      }

      @Override
      public void remove(Recipe recipe) {
        recipes.remove(recipe);
      }
    };
  }

  /** Asks where to, and writes the pictures that are shown on pages. */
  void contactSheet(FileWrites writes) {
    SetFolder folder = set.folderProperty().get();
    PictureSet of = set.setProperty().get();
    if (folder == null || of == null) {
      return;
    }
    List<Member> members = set.shownProperty().get();
    String below =
        TEXTS.get("setDesk.contact-sheet.below", members.size(), LocalDate.now().toString());
    writes.ask(
        ProposedNames.free(folder.folder(), TEXTS.get("setDesk.contact-sheet", of.name()), ".pdf"),
        cancellation -> {
          List<ContactSheet.Entry> entries = new ArrayList<>();
          for (Member member : members) {
            entries.add(
                new ContactSheet.Entry(
                    member.title(),
                    TEXTS.get("setDesk.state." + member.state().name()),
                    looks.at(folder, member, cancellation).thumbnail()));
          }
          return ContactSheet.pdf(of.name(), below, entries, Paper.A4);
        });
  }

  /**
   * Sets a picture of the set beside the one at work, as it is finished now.
   *
   * @param shown shows the bench
   */
  void pin(Path file, Runnable shown) {
    if (document.isEmpty()) {
      state.status().say(TEXTS.get("setDesk.nothing-to-pin-beside"));
      return;
    }
    Status.Job job =
        state
            .status()
            .begin(TEXTS.get("setDesk.pinning", PictureReader.name(file)), pinning::cancel);
    pinning.newest(
        cancellation -> {
          Document other = ProjectFile.openOrStart(file);
          Session session = Session.of(other);
          return Beside.picture(session, session.faces().withFace(other.project(), cancellation));
        },
        beside -> {
          state.view().besideProperty().set(beside);
          state.view().comparisonProperty().set(Comparison.BESIDE);
          shown.run();
        },
        state.status()::fail,
        job::end);
  }

  /** What is saved in the set's folder is work on the set. */
  private void saved() {
    Path path = document.pathProperty().get();
    if (path != null && !document.dirtyProperty().get()) {
      set.saved(path);
    }
  }

  /** Whether a file is the document at work, or one that waits. */
  private boolean isOpen(Path file) {
    return !document.isEmpty() && document.current().liesIn(file)
        || workspace.all().stream().anyMatch(w -> w.work().document().liesIn(file));
  }

  /** What was delivered of a picture of the set is a delivery of the set. */
  private void delivered() {
    WorkRecord is = document.recordProperty().get();
    int now = is == null ? 0 : is.deliveries().size();
    boolean more = is != null && is.id().equals(recordSeen) && now > deliveriesSeen;
    recordSeen = is == null ? "" : is.id();
    deliveriesSeen = now;
    if (more) {
      Document current = document.current();
      Path own = current.path() == null ? current.origin() : current.path();
      if (own != null) {
        set.delivered(own);
      }
    }
  }

  @Override
  public void close() {
    subscriptions.close();
    jobs.close();
    pinning.close();
    set.close();
  }
}
