package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.file.AtomicFile;
import carezza.metadata.Metadata.Carried;
import carezza.press.Intent;
import carezza.problem.Problem;
import carezza.recipe.Delivery;
import carezza.recipe.NamePattern;
import carezza.recipe.Output;
import carezza.recipe.Recipe;

public class RecipeFileTest {

  private Path folder;

  @BeforeMethod
  public void makeFolder() throws IOException {
    folder = Files.createTempDirectory("recipes");
  }

  @DataProvider
  public Object[] shipped() {
    return RecipeFile.SHIPPED.toArray();
  }

  @Test(dataProvider = "shipped")
  public void whatShipsIsWrittenAsItIsRead(String id) throws Problem {
    Recipe recipe = RecipeFile.shipped(id);
    Path file = folder.resolve("own" + RecipeFile.ENDING);
    RecipeFile.write(recipe, AtomicFile.fresh(file));
    assertThat(RecipeFile.read(file)).isEqualTo(recipe);
    assertThatThrownBy(() -> RecipeFile.write(recipe, AtomicFile.fresh(file)))
        .isInstanceOf(Problem.class);
  }

  /** The profile of a print shop goes with the recipe that names it. */
  @Test
  public void aProfileOfItsOwnLiesBesideIt() throws Exception {
    Path icc = folder.resolve("shop.icc");
    Files.write(icc, OutputProfile.COATED.bytes());
    OutputProfile shop = OutputProfile.of(icc);
    Output output =
        new Output(
            "shop",
            new NamePattern("{sitter}"),
            "",
            PictureFormat.TIFF,
            new Delivery(
                0, 90, 8, 0, new OutputColour(shop, Intent.PERCEPTUAL, true), Carried.ALL, false),
            null,
            0.3,
            true);
    Path moved = Files.createDirectory(folder.resolve("kept"));
    Path file = moved.resolve("shop" + RecipeFile.ENDING);
    RecipeFile.write(new Recipe("Shop", List.of(output)), AtomicFile.fresh(file));
    Files.delete(icc);
    Output read = RecipeFile.read(file).outputs().getFirst();
    assertThat(read.delivery().colour().profile().bytes()).isEqualTo(shop.bytes());
    assertThat(read.delivery().colour().intent()).isEqualTo(Intent.PERCEPTUAL);
    assertThat(read.pair()).isTrue();
  }
}
