package carezza.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What does nothing in a picture is said, and the picture is made. */
public class UndoneTest {

  private Path folder;
  private Path photo;

  @BeforeClass
  public void makePhotograph() throws IOException {
    folder = Files.createTempDirectory("undone");
    System.setProperty("carezza.home", folder.resolve("home").toString());
    photo = folder.resolve("grey.png");
    ImageIO.write(new BufferedImage(80, 60, BufferedImage.TYPE_INT_RGB), "png", photo.toFile());
  }

  private CommandRun applied(String name, String layers) throws IOException {
    Path stack = folder.resolve(name + ".json");
    Files.writeString(stack, "{\"stack\": [%s]}".formatted(layers));
    return CommandRun.of("apply", photo, "--stack", stack, "--out", folder.resolve(name + ".jpg"));
  }

  @Test
  public void aLayerWithoutItsFaceIsNamed() throws IOException {
    CommandRun run = applied("teeth", "{\"kind\": \"teeth\", \"name\": \"Brighter\"}");
    assertThat(run.code()).isZero();
    assertThat(run.err()).contains("No face was found").contains("Brighter");
  }

  @Test
  public void aPictureThatIsGoneIsNamedAndTheRestIsMade() throws IOException {
    CommandRun run =
        applied(
            "gone",
            "{\"kind\": \"overlay\", \"name\": \"Dusk\", \"picture\": {\"name\": \"dusk.png\","
                + " \"sha256\": \"%s\", \"link\": \"/nowhere/dusk.png\"}}"
                    .formatted("0".repeat(64)));
    assertThat(run.code()).isZero();
    assertThat(run.err().strip().lines()).hasSize(1);
    assertThat(run.err()).contains("dusk.png").contains("Dusk").contains("left out");
    assertThat(folder.resolve("gone.jpg")).isNotEmptyFile();
  }

  @Test
  public void nothingIsSaidWhereAllIsDone() throws IOException {
    CommandRun run =
        applied("lit", "{\"kind\": \"overlay\", \"picture\": {\"shipped\": \"flare\"}}");
    assertThat(run.code()).isZero();
    assertThat(run.err()).isEmpty();
  }

  @Test
  public void anUnknownShippedPictureIsRefusedInASentence() throws IOException {
    CommandRun run =
        applied("none", "{\"kind\": \"overlay\", \"picture\": {\"shipped\": \"snow\"}}");
    assertThat(run.code()).isNotZero();
    assertThat(run.err()).contains("snow").doesNotContain("Exception");
  }
}
