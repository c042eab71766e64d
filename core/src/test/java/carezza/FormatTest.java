package carezza;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

import com.google.googlejavaformat.java.Formatter;
import com.google.googlejavaformat.java.FormatterException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * All sources are in google-java-format. Here, as it needs the compiler of the JDK that the sources
 * are for, and Maven itself may run on another. With {@code -Dformat=apply} the sources are put
 * right.
 */
@Test(groups = "elsewhere")
public class FormatTest {

  private static final List<String> MODULES = List.of("core", "desktop", "benchmarks");

  @DataProvider
  public Object[][] modules() {
    return MODULES.stream().map(m -> new Object[] {m}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "modules")
  public void sourcesAreInTheFormat(String module) throws IOException {
    Formatter formatter = new Formatter();
    try (Stream<Path> files = Files.walk(Path.of("..", module, "src"))) {
      List<Path> others =
          files
              .filter(f -> f.toString().endsWith(".java"))
              .filter(f -> !isFormatted(f, formatter))
              .toList();
      assertThat(others).as("mvn -pl core test -Dtest=FormatTest -Dformat=apply").isEmpty();
    }
  }

  private static boolean isFormatted(Path file, Formatter formatter) {
    try {
      String source = Files.readString(file);
      String formatted = formatter.formatSource(source);
      if (!formatted.equals(source) && "apply".equals(System.getProperty("format"))) {
        Files.writeString(file, formatted);
        return true;
      }
      return formatted.equals(source);
    } catch (IOException | FormatterException e) {
      throw new IllegalStateException(file.toString(), e);
    }
  }
}
