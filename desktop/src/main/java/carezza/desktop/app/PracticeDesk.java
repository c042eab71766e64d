package carezza.desktop.app;

import java.time.Instant;

import carezza.desktop.file.DocumentFiles;
import carezza.desktop.journal.JournalKeeper;
import carezza.desktop.practice.EyeState;
import carezza.desktop.practice.PracticeState;
import carezza.desktop.state.AppState;
import carezza.desktop.text.Texts;
import carezza.desktop.view.practice.PracticeView;
import carezza.practice.Exercise;

/** Exercises, from being opened on the bench to being judged. */
final class PracticeDesk implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("app");

  private final DocumentFiles files;
  private final Navigation navigation;
  private final PracticeState state;
  private final EyeState eye;
  private final PracticeView view;

  PracticeDesk(AppState app, JournalKeeper keeper, DocumentFiles files, Navigation navigation) {
    this.files = files;
    this.navigation = navigation;
    state = new PracticeState(app, keeper, Instant::now);
    eye = new EyeState(state, app.status(), app.tasks());
    view = new PracticeView(app, state, eye, this::open);
  }

  PracticeState state() {
    return state;
  }

  EyeState eye() {
    return eye;
  }

  PracticeView view() {
    return view;
  }

  /** Opens a page of practice. */
  void show(String page) {
    view.open(page);
    navigation.show(view);
  }

  /** Puts an exercise on the bench, after asking about what is not saved. */
  void open(Exercise exercise, long seed) {
    files.open(
        TEXTS.get("practiceDesk.exercise"),
        () -> PracticeState.make(exercise, seed),
        PracticeState.Begun::document,
        state::begin,
        state::begun);
  }

  /** Judges the exercise at work, and shows what became of it. */
  void finish() {
    state.finish(
        still -> {
          if (still) {
            files.giveUp();
          }
          view.showOutcome();
          navigation.show(view);
        });
  }

  void giveUp() {
    state.end();
    files.giveUp();
    navigation.show(view);
  }

  /** The view is closed with the others. */
  @Override
  public void close() {
    eye.close();
    state.close();
  }
}
