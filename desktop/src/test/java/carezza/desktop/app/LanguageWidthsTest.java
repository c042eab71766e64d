package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.text.Text;
import javafx.stage.Stage;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.desktop.demo.Demo;
import carezza.desktop.demo.DemoJournal;
import carezza.desktop.journal.Period;
import carezza.desktop.sheet.SheetKind;
import carezza.desktop.style.Look;
import carezza.desktop.style.TextSize;
import carezza.desktop.text.Language;
import carezza.file.ApplicationFolder;
import carezza.kernel.LayerType;
import carezza.studio.StudioJournal;

/**
 * Words fit: no button, heading or number ends in dots, in any language, and with larger text on a
 * larger screen.
 */
@Test(groups = "beside")
public class LanguageWidthsTest {

  private static final int PATIENCE_SECONDS = 240;

  @DataProvider
  public Object[][] languages() {
    Object[][] all = {
      {Language.GERMAN, 100, "1280x800"},
      {Language.ENGLISH, 100, "1280x800"},
      {Language.GERMAN, 150, "1920x1200"}
    };
    return Thorough.ASKED ? all : Arrays.copyOf(all, 1);
  }

  @Test(dataProvider = "languages")
  public void nothingIsCutShort(Language language, int percent, String size) throws Exception {
    List<String> command = new ArrayList<>();
    command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
    ManagementFactory.getRuntimeMXBean().getInputArguments().stream()
        .filter(a -> !a.startsWith("-Duser.language") && !a.startsWith("-javaagent"))
        .forEach(command::add);
    Path home = Files.createTempDirectory("carezza-language");
    command.add("-Dcarezza.home=" + home);
    command.add("-cp");
    command.add(
        System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")));
    command.add(Window.class.getName());
    command.addAll(List.of(language.tag(), Integer.toString(percent), size));
    Process window = new ProcessBuilder(command).redirectErrorStream(true).start();
    String said = new String(window.getInputStream().readAllBytes());
    assertThat(window.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS)).isTrue();
    assertThat(said.lines().filter(l -> l.startsWith("cut: "))).isEmpty();
    assertThat(said.lines()).contains("done " + language.tag());
  }

  /** Shows every view and every kind of panel, and says which words were cut. */
  public static final class Window {

    private static final TreeSet<String> CUT = new TreeSet<>();

    public static void main(String[] arguments) throws Exception {
      Language.speak(arguments[0]);
      TextSize.choose(arguments[1]);
      String[] size = arguments[2].split("x");
      CountDownLatch ready = new CountDownLatch(1);
      Platform.startup(ready::countDown);
      ready.await();
      Shell shell =
          onStage(
              () -> {
                Look.load();
                Shell view = new Shell();
                Stage stage = new Stage();
                stage.setScene(
                    new Scene(view, Integer.parseInt(size[0]), Integer.parseInt(size[1])));
                stage.show();
                view.navigation().showStart();
                return view;
              });
      look(shell);
      onStage(
          () -> {
            shell.open("demo", Demo::understudy);
            return null;
          });
      while (onStage(() -> shell.state().document().isEmpty())) {
        Thread.sleep(100);
      }
      onStage(
          () -> {
            shell.navigation().showBench();
            return null;
          });
      look(shell);
      for (LayerType type : LayerType.MADE_ANEW) {
        onStage(
            () -> {
              shell.state().selection().add(type);
              return null;
            });
        look(shell);
        onStage(
            () -> {
              shell.bench().turnPage();
              return null;
            });
        look(shell);
        onStage(
            () -> {
              shell.bench().turnPage();
              shell.state().document().undo();
              return null;
            });
      }
      onStage(
          () -> {
            shell.navigation().show(Navigation.DELIVER);
            return null;
          });
      look(shell);
      while (onStage(() -> shell.state().plan().planProperty().get() == null)) {
        Thread.sleep(100);
      }
      onStage(
          () -> {
            shell.navigation().showBench();
            return null;
          });
      look(shell);
      onStage(
          () -> {
            shell.navigation().toggle(Navigation.PLAN);
            return null;
          });
      look(shell);
      onStage(
          () -> {
            shell.makeRoutine();
            return null;
          });
      look(shell);
      onStage(
          () -> {
            shell.sheets().close();
            shell.files().openDemoSet();
            return null;
          });
      while (onStage(() -> shell.sets().set().looks().size() < 6)) {
        Thread.sleep(100);
      }
      look(shell);
      try (StudioJournal journal = StudioJournal.open(ApplicationFolder.path())) {
        DemoJournal.fill(journal, Instant.now());
      }
      onStage(
          () -> {
            shell.records().journal().periodProperty().set(Period.ALL);
            shell.navigation().toggle(Navigation.JOURNAL);
            return null;
          });
      while (onStage(() -> shell.lookup("#journal-numbers .journal-number") == null)) {
        Thread.sleep(100);
      }
      look(shell);
      onStage(
          () -> {
            shell.records().showSheet(SheetKind.CLIENT);
            return null;
          });
      look(shell);
      onStage(
          () -> {
            shell.sheets().close();
            shell.navigation().toggle(Navigation.PRACTICE);
            return null;
          });
      look(shell);
      CUT.forEach(words -> System.out.println("cut: " + words));
      System.out.println("done " + arguments[0]);
      System.exit(0);
    }

    private static <T> T onStage(Callable<T> work) throws Exception {
      FutureTask<T> task = new FutureTask<>(work);
      Platform.runLater(task);
      return task.get();
    }

    private static void look(Shell shell) throws Exception {
      onStage(
          () -> {
            shell.applyCss();
            shell.layout();
            cut(shell);
            return null;
          });
    }

    private static void cut(Node node) {
      if (!node.isVisible()) {
        return;
      }
      // What the retoucher called it is as long as it is.
      boolean name =
          node.getStyleClass().contains("card-name")
              || node.getStyleClass().contains("project-title");
      if (node instanceof Labeled labeled
          && !name
          && labeled.lookup(".text") instanceof Text shown) {
        String words = labeled.getText() == null ? "" : labeled.getText();
        if (shown.getText().endsWith("...") && !words.endsWith("...")) {
          CUT.add(words + " (" + labeled.getId() + ")");
        }
      }
      if (node instanceof TextField field && field.getStyleClass().contains("row-number")) {
        Text words = new Text(field.getText());
        words.setFont(field.getFont());
        double room = field.getWidth() - field.getInsets().getLeft() - field.getInsets().getRight();
        if (words.getLayoutBounds().getWidth() > room) {
          CUT.add(field.getText() + " (" + field.getId() + ")");
        }
      }
      if (node instanceof Parent parent) {
        parent.getChildrenUnmodifiable().forEach(Window::cut);
      }
    }
  }
}
