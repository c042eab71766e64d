package carezza.desktop.app;

import java.nio.file.Path;

import org.jspecify.annotations.Nullable;

import carezza.codec.OutputProfile;
import carezza.codec.PictureReader;
import carezza.desktop.dialog.ScreenSheet;
import carezza.desktop.dialog.Sheets;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Settings;
import carezza.desktop.style.TextSize;
import carezza.desktop.text.Language;
import carezza.desktop.text.Texts;
import carezza.problem.Problem;

/**
 * How the window looks to one person: the profile of their display, the size and language of its
 * words.
 */
final class Appearance {

  private static final Texts TEXTS = Texts.of("app");

  private static final String DISPLAY = "display.profile";

  private final AppState state;
  private final Settings settings;
  private final Sheets sheets;

  Appearance(AppState state, Settings settings, Sheets sheets) {
    this.state = state;
    this.settings = settings;
    this.sheets = sheets;
  }

  void showScreen() {
    sheets.show(new ScreenSheet(settings.get(DISPLAY, ""), this::use, sheets::close));
  }

  /** Shows the picture through a display's profile, or none; what is wrong with it, or nothing. */
  private String use(@Nullable Path file) {
    try {
      OutputProfile display = null;
      if (file != null) {
        display = OutputProfile.of(file);
        if (display.inks()) {
          return TEXTS.get("appearance.is-the-profile-of-a-press", PictureReader.name(file));
        }
      }
      state.view().screenProperty().set(state.view().screenProperty().get().on(display));
      settings.set(DISPLAY, file == null ? "" : file.toAbsolutePath().toString());
      return "";
    } catch (Problem e) {
      return e.getMessage();
    }
  }

  /** Shows pictures as the last time; what cannot be had any more is said. */
  void recall() {
    String known = settings.get(DISPLAY, "");
    if (!known.isEmpty()) {
      String problem = use(Path.of(known));
      if (!problem.isEmpty()) {
        state.status().say(problem);
      }
    }
  }

  /** Larger text from the next start on, or the usual again. */
  void turnTextSize() {
    int chosen = TextSize.next();
    settings.set(TextSize.SETTING, Integer.toString(chosen));
    state.status().say(TEXTS.get("appearance.text-size", chosen));
  }

  /** Another language from the next start on: what is on the screen is not said anew. */
  void turnLanguage() {
    Language chosen = Language.now().next();
    settings.set(Language.SETTING, chosen.tag());
    state.status().say(TEXTS.get("appearance.language"));
  }
}
