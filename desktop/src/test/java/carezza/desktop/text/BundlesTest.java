package carezza.desktop.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Properties;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.BlendMode;
import carezza.kernel.LayerType;
import carezza.measure.CheckView;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.HueBandsLayer.Family;
import carezza.model.NeutralPointsLayer;
import carezza.model.Parameters;
import carezza.model.SemanticRegion;
import carezza.model.Stage;
import carezza.press.Intent;

/** Every word is there in every language, and takes the same things in. */
public class BundlesTest {

  private static final Path DESKTOP = Path.of("src/main/resources/carezza/desktop/text");
  private static final Path CORE = Path.of("../core/src/main/resources/carezza");
  private static final Pattern THINGS = Pattern.compile("%[-+0-9.]*[dfs%]|\\{\\d}");

  private static Properties read(Path file) throws IOException {
    Properties all = new Properties();
    try (Reader in = Files.newBufferedReader(file)) {
      all.load(in);
    }
    return all;
  }

  @DataProvider
  public Object[][] bundles() throws IOException {
    List<Object[]> rows = new ArrayList<>();
    for (Path folder : List.of(DESKTOP, CORE)) {
      try (Stream<Path> files = Files.list(folder)) {
        files
            .filter(f -> f.toString().endsWith(".properties") && !f.toString().contains("_"))
            .sorted()
            .forEach(
                f -> {
                  String name = f.getFileName().toString().replace(".properties", "_de.properties");
                  rows.add(new Object[] {f, f.resolveSibling(name)});
                });
      }
    }
    return rows.toArray(Object[][]::new);
  }

  @Test(dataProvider = "bundles")
  public void bothLanguagesHaveTheSameTexts(Path english, Path german) throws IOException {
    assertThat(read(german).stringPropertyNames())
        .containsExactlyInAnyOrderElementsOf(read(english).stringPropertyNames());
    assertThat(read(german).values()).noneMatch(text -> text.toString().isBlank());
  }

  @Test(dataProvider = "bundles")
  public void aTextTakesTheSameThingsInBothLanguages(Path english, Path german) throws IOException {
    Properties there = read(german);
    Properties here = read(english);
    for (String key : here.stringPropertyNames()) {
      assertThat(things(there.getProperty(key))).as(key).isEqualTo(things(here.getProperty(key)));
    }
  }

  private static List<String> things(String text) {
    return THINGS.matcher(text).results().map(MatchResult::group).toList();
  }

  /** Two words or more in a literal that is no name of a lane, a fault or a part of the demo. */
  @Test
  public void noWordsStandInTheCodeOfTheWindow() throws IOException {
    Pattern words = Pattern.compile("\"[^\"]*[a-z]{2,},? [a-z]{2,}[^\"]*\"");
    Pattern silent =
        Pattern.compile("lane\\(|droppable\\(|first\\(|Exception\\(|\\.log\\(|^ *[/*]");
    List<String> found = new ArrayList<>();
    try (Stream<Path> files = Files.walk(Path.of("src/main/java/carezza/desktop"))) {
      for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
        String name = file.toString().replace('\\', '/');
        if (name.contains("/command/")
            || name.contains("/demo/")
            || name.endsWith("/Rehearsal.java")) {
          continue;
        }
        try (Stream<String> lines = Files.lines(file)) {
          lines
              .filter(l -> words.matcher(l).find() && !silent.matcher(l).find())
              .forEach(l -> found.add(file.getFileName() + ": " + l.strip()));
        }
      }
    }
    assertThat(found).isEmpty();
  }

  @Test
  public void everythingTheCoreKnowsByAConstantHasAName() {
    for (Stage stage : Stage.values()) {
      assertThat(Names.of(stage)).isNotBlank();
    }
    for (SemanticRegion region : SemanticRegion.values()) {
      assertThat(Names.of(region)).isNotBlank();
      assertThat(Names.title(region)).isNotBlank();
    }
    for (CheckView way : CheckView.values()) {
      assertThat(Names.of(way)).isNotBlank();
      assertThat(Names.hint(way)).endsWith(".");
    }
    for (BlendMode mode : BlendMode.values()) {
      assertThat(Names.of(mode)).isNotBlank();
    }
    for (Family family : Family.values()) {
      assertThat(Names.of(family)).isNotBlank();
    }
    for (RepairMethod method : RepairMethod.values()) {
      assertThat(Names.of(method)).isNotBlank();
    }
    for (Intent intent : Intent.values()) {
      assertThat(Names.of(intent)).isNotBlank();
    }
    for (NeutralPointsLayer.Tone tone : NeutralPointsLayer.Tone.values()) {
      assertThat(Names.of(tone)).isNotBlank();
    }
  }

  @DataProvider
  public Object[][] numbers() {
    List<Object[]> rows = new ArrayList<>();
    for (LayerType type : LayerType.values()) {
      type.parameters().all().forEach(n -> rows.add(new Object[] {type, n}));
    }
    return rows.toArray(Object[][]::new);
  }

  @Test(dataProvider = "numbers")
  public void everyNumberOfALayerHasANameAndAHint(LayerType type, Parameters.Declared number) {
    Texts layers = Texts.of("layers");
    assertThat(layers.has(type.key() + "." + number.name())).isTrue();
    assertThat(layers.has(type.key() + "." + number.name() + ".hint")).isTrue();
  }
}
