package carezza.desktop;

import java.util.logging.Level;
import java.util.logging.Logger;

import carezza.desktop.command.Carezza;
import carezza.desktop.file.Home;
import carezza.desktop.style.TextSize;
import carezza.desktop.task.FaultLog;
import carezza.desktop.text.Language;
import carezza.file.ApplicationFolder;

/** Starts Carezza from its command line. */
public final class Main {

  /**
   * Kept here so that its level is not forgotten: the toolkit warns of running from the class path.
   */
  private static final Logger TOOLKIT = Logger.getLogger("javafx");

  private Main() {}

  public static void main(String[] arguments) {
    FaultLog.into(ApplicationFolder.path().resolve("log"));
    TOOLKIT.setLevel(Level.SEVERE);
    TextSize.choose(new Home().settings().get(TextSize.SETTING, ""));
    Language.speak(new Home().settings().get(Language.SETTING, ""));
    System.exit(Carezza.run(arguments));
  }
}
