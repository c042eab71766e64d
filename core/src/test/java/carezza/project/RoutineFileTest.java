package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.model.Mask;
import carezza.routine.Routine;
import carezza.routine.RoutineMaker;

public class RoutineFileTest {

  @DataProvider
  public Object[][] shipped() {
    return RoutineFile.SHIPPED.stream().map(id -> new Object[] {id}).toArray(Object[][]::new);
  }

  /** What ships names no place of any photograph, and comes back from its file as it was. */
  @Test(dataProvider = "shipped")
  public void whatShipsFitsAnyPhotograph(String id) {
    Routine routine = RoutineFile.shipped(id);
    assertThat(RoutineFile.read(RoutineFile.text(routine))).isEqualTo(routine);
    assertThat(routine.purpose()).isNotBlank();
    assertThat(routine.measured()).isNotEmpty();
    assertThat(routine.stack().layers())
        .allMatch(l -> l.attributes().id().length() > 3)
        .allMatch(l -> l.masks().stream().noneMatch(RoutineFileTest::placed));
  }

  private static boolean placed(Mask mask) {
    return mask.has(m -> m instanceof Mask.Strokes || m instanceof Mask.Ellipse);
  }

  @DataProvider
  public Object[][] broken() {
    String layer = "{\"kind\":\"curve\",\"id\":\"c\",\"measured\":[\"%s\"]}";
    return new Object[][] {
      {"{}", "it does not say its version"},
      {"{\"version\":9}", "it is of version 9, and this Carezza reads up to 1"},
      {"{\"version\":1,\"job\":\"wedding\"}", "no job is called 'wedding'"},
      {"{\"version\":1}", "it has no list named stack"},
      {
        "{\"version\":1,\"stack\":[" + layer.formatted("luck") + "]}",
        "stack[0]: nothing is measured by the name 'luck'"
      },
      {
        "{\"version\":1,\"stack\":[" + layer.formatted("bands") + "]}",
        "BANDS cannot be measured for layer 'c'"
      },
      {"{\"version\":1,\"stack\":[],\"likelihood\":7}", "likelihood is to be 0 to 1, not 7.0"},
      {"[]", "it does not hold a JSON object"},
      {"{\"version\":1,\"stack\":[3]}", "stack[0] is no layer"}
    };
  }

  @Test(dataProvider = "broken")
  public void whatIsWrongIsSaid(String json, String said) {
    assertThatThrownBy(() -> RoutineFile.read(json.getBytes(StandardCharsets.UTF_8)))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(said);
  }

  @Test
  public void rulesAreWrittenAsWords() {
    String text =
        new String(
            RoutineFile.text(RoutineFile.shipped("clean-head-shot")), StandardCharsets.UTF_8);
    assertThat(text).contains("\"strayHairs\"", "\"neutral\"");
    assertThat(RoutineMaker.all(RoutineFile.shipped("clean-head-shot").stack())).isNotEmpty();
  }
}
