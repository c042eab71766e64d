package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;

import org.testng.annotations.Test;

import carezza.codec.PictureReader;
import carezza.image.Picture;
import carezza.kernel.LayerType;
import carezza.model.LayerStack;
import carezza.project.RecipeFile;
import carezza.recipe.Recipe;

/** Variants in the real window, and delivering them by a recipe made there. */
public class VariantWindowTest extends WindowDriver {

  private void type(KeyCode... keys) {
    robot.push(keys);
    RobotHand.settle();
  }

  @Test
  public void variantsAreMadeNamedAndDeliveredByARecipe() throws Exception {
    onStage(
        () -> {
          // What is delivered four times below need not be the whole demo.
          state()
              .document()
              .edit(null, p -> p.withStack(LayerStack.EMPTY.with(p.stack().layers().getFirst())));
          return null;
        });
    clickOn("#picture");
    type(KeyCode.SHIFT, KeyCode.V);
    clickOn("#variant-double");
    // The name of the new one is in hand.
    TextField name = node("#variant-name-1");
    assertThat(name.isFocused()).isTrue();
    onStage(
        () -> {
          name.setText("Mono");
          return null;
        });
    robot.type(KeyCode.ENTER);
    RobotHand.settle();
    assertThat(project().variants().names()).hasSize(2).contains("Mono");
    robot.type(KeyCode.ESCAPE);
    onStage(
        () -> {
          state().selection().add(LayerType.MONOCHROME);
          return null;
        });
    int layers = project().stack().size();
    ToggleButton first = node("#variant-0");
    clickOn("#variant-0");
    assertThat(project().stack().size()).isEqualTo(layers - 1);
    assertThat(first.isSelected()).isTrue();
    type(KeyCode.ALT, KeyCode.V);
    assertThat(project().stack().size()).isEqualTo(layers);
    clickOn("#view-deliver");
    clickOn("#deliver-many");
    ComboBox<Recipe> recipes = node("#recipe-chosen");
    await(() -> recipes.getValue() != null);
    clickOn("#recipe-another");
    onStage(
        () -> {
          ((TextField) node("#recipe-name")).setText("Small ones");
          robot
              .lookup("#output-edge")
              .queryAllAs(TextField.class)
              .forEach(edge -> edge.setText("300"));
          return null;
        });
    // What cannot be is said, and nothing is kept.
    Label wrong = node("#recipe-wrong");
    for (String[] typed :
        new String[][] {
          {"#output-exact", "1080 x"},
          {"#output-quality", "500"},
          {"#output-folder", "../elsewhere"},
          {"#output-pattern", "{who}"},
          {"#output-name", ""}
        }) {
      TextField field = node(typed[0]);
      String before = field.getText();
      onStage(
          () -> {
            field.setText(typed[1]);
            return null;
          });
      clickOn("#recipe-keep");
      assertThat(wrong.getText()).as(typed[1]).endsWith(".").contains(typed[1]);
      onStage(
          () -> {
            field.setText(before);
            return null;
          });
    }
    clickOn("#recipe-keep");
    await(() -> recipes.getItems().stream().anyMatch(r -> r.name().equals("Small ones")));
    Path out = folder.resolve("out");
    onStage(
        () -> {
          recipes.setValue(
              recipes.getItems().stream()
                  .filter(r -> r.name().equals("Small ones"))
                  .findFirst()
                  .orElseThrow());
          ((TextField) node("#recipe-folder")).setText(out.toString());
          return null;
        });
    clickOn("#recipe-write");
    Labeled outcome = node("#recipe-outcome");
    await(() -> outcome.getText().startsWith("Written: 4"));
    List<Path> web;
    try (Stream<Path> files = Files.walk(out.resolve("web"))) {
      web = files.filter(Files::isRegularFile).sorted().toList();
    }
    assertThat(web).hasSize(2);
    Path mono = web.stream().filter(f -> f.toString().contains("Mono")).findFirst().orElseThrow();
    Picture grey = PictureReader.decode(Files.readAllBytes(mono), "mono.jpg").pixels();
    assertThat(Math.max(grey.area().width(), grey.area().height())).isEqualTo(300);
    int middle = grey.area().pixels() / 2;
    assertThat(grey.first().values()[middle])
        .isCloseTo(grey.third().values()[middle], org.assertj.core.api.Assertions.within(0.03f));
    // Once more is refused until it is said that files may be replaced.
    clickOn("#recipe-write");
    await(() -> isThere("#recipe-replace") && node("#recipe-replace").isVisible());
    clickOn("#recipe-replace");
    await(() -> outcome.getText().startsWith("Written: 4"));
    assertThat(RecipeFile.SHIPPED).doesNotContain("Small ones");
    clickOn("#recipe-out");
    await(() -> recipes.getItems().size() == RecipeFile.SHIPPED.size());
  }

  /** What is done on the bench is done there, wherever the menu or the search was opened. */
  @Test
  public void aBenchCommandFoundElsewhereIsDoneOnTheBench() {
    clickOn("#view-deliver");
    int layers = project().stack().size();
    onStage(
        () -> {
          view.actions().get("add-grain").run();
          return null;
        });
    assertThat(project().stack().size()).isEqualTo(layers + 1);
    assertThat(isThere("#course")).isTrue();
  }
}
