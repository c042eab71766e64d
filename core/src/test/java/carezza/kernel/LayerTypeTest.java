package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.lang.reflect.RecordComponent;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.model.ChannelMix;
import carezza.model.FrequencySeparationLayer.LowBandArea;
import carezza.model.HueBandsLayer.Trim;
import carezza.model.Layer;
import carezza.model.LayerAttributes;
import carezza.model.Lens;
import carezza.model.LockedLayer;
import carezza.model.Mask;
import carezza.model.Parameter;
import carezza.model.Parameters;
import carezza.model.Parameters.Declared;
import carezza.model.Point;
import carezza.model.RecordValue;
import carezza.model.SharpenLayer.Band;
import carezza.model.SkinToneEveningLayer.Target;
import carezza.model.SkinToneEveningLayer.Wedge;
import carezza.model.Tint;
import carezza.model.Unit;

/** The registry of kinds, and the numbers that their records declare. */
public class LayerTypeTest {

  @Test
  public void everyKindOfLayerIsInTheRegistryOnce() {
    assertThat(Arrays.stream(LayerType.values()).map(LayerType::record))
        .containsExactlyInAnyOrderElementsOf(
            Arrays.stream(Layer.class.getPermittedSubclasses())
                .filter(type -> type != LockedLayer.class)
                .<Class<? extends Layer>>map(type -> type.asSubclass(Layer.class))
                .toList());
    assertThat(Arrays.stream(LayerType.values()).map(LayerType::key)).doesNotHaveDuplicates();
  }

  @DataProvider
  public Object[][] types() {
    return Arrays.stream(LayerType.values())
        .map(type -> new Object[] {type})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "types")
  public void aFreshLayerIsFoundAgainByItsKindAndItsKey(LayerType type) {
    assertThat(LayerType.of(type.fresh())).isEqualTo(type);
    assertThat(LayerType.of(type.key())).contains(type);
    assertThat(type.fresh().attributes().stage()).isEqualTo(type.stage());
  }

  /** Records with numbers within layers, as the documentation calls them. */
  private static final Map<Class<? extends Record>, String> WITHIN = new LinkedHashMap<>();

  static {
    WITHIN.put(Tint.class, "a tint");
    WITHIN.put(Target.class, "a tone");
    WITHIN.put(ChannelMix.class, "a mix");
    WITHIN.put(Trim.class, "a trim");
    WITHIN.put(Band.class, "a band");
    WITHIN.put(Wedge.class, "a wedge");
    WITHIN.put(LowBandArea.class, "an area");
    WITHIN.put(Lens.class, "a lens");
  }

  private static Set<Class<? extends Record>> records() {
    Set<Class<? extends Record>> all = new LinkedHashSet<>();
    for (LayerType type : LayerType.values()) {
      all.add(type.record().asSubclass(Record.class));
    }
    all.addAll(WITHIN.keySet());
    return all;
  }

  @Test(dataProvider = "types")
  public void everyNumberOfALayerIsDeclared(LayerType type) {
    for (RecordComponent component : type.record().getRecordComponents()) {
      Class<?> own = component.getType();
      if (own == double.class || own == Double.class) {
        assertThat(component.getAnnotation(Parameter.class)).as(component.getName()).isNotNull();
      } else if (own.isRecord() && own != LayerAttributes.class) {
        assertThat(
                own == Point.class
                    || own == Mask.Range.class
                    || records().contains(own.asSubclass(Record.class)))
            .as(component + " is among those that are checked")
            .isTrue();
      }
    }
  }

  @DataProvider
  public Object[][] numbers() {
    List<Object[]> rows = new ArrayList<>();
    for (Class<? extends Record> type : records()) {
      for (Declared number : Parameters.of(type).all()) {
        rows.add(new Object[] {type, number});
      }
    }
    return rows.toArray(Object[][]::new);
  }

  private static Record usual(Class<? extends Record> type) {
    if (type == ChannelMix.class) {
      return ChannelMix.EYE;
    }
    if (type == LowBandArea.class) {
      return new LowBandArea(new Mask.Everything(), 12, 1);
    }
    return Arrays.stream(LayerType.values())
        .filter(t -> t.record() == type)
        .findFirst()
        .<Record>map(t -> (Record) t.fresh())
        .orElseGet(() -> Parameters.usual(type));
  }

  @Test(dataProvider = "numbers")
  public void aNumberIsTakenUpToItsEndsAndRefusedBeyond(
      Class<? extends Record> type, Declared number) {
    boolean wedge = type == Wedge.class;
    Record whole = wedge ? RecordValue.with(usual(type), "from", 0.0) : usual(type);
    if (!(wedge && number.name().equals("from"))) {
      assertThat(
              RecordValue.number(
                  RecordValue.with(whole, number.name(), number.most()), number.name()))
          .isEqualTo(number.most());
    }
    double beyond = 1e-3 * (number.most() - number.least());
    for (double wrong :
        new double[] {number.least() - beyond, number.most() + beyond, Double.NaN}) {
      assertThatThrownBy(() -> RecordValue.with(whole, number.name(), wrong))
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessageContaining(number.name());
    }
  }

  @Test(dataProvider = "numbers")
  public void aSliderLiesWithinWhatIsTakenAndBeginsInIt(
      Class<? extends Record> type, Declared number) {
    assertThat(number.low()).isBetween(number.least(), number.high());
    assertThat(number.high()).isLessThanOrEqualTo(number.most());
    assertThat(number.step()).isPositive().isLessThan(number.high() - number.low());
    if (!Double.isNaN(number.usual())) {
      assertThat(number.usual()).isBetween(number.low(), number.high());
    }
  }

  @Test
  public void aNumberIsWrittenWithItsUnitAndTheDecimalsOfItsStep() {
    Parameters teeth = LayerType.TEETH.parameters();
    assertThat(teeth.get("target").written(8)).isEqualTo("b* 8.0");
    assertThat(teeth.get("lift").written(4)).isEqualTo("4.0 L*");
    assertThat(LayerType.EXPOSURE.parameters().get("stops").written(0.5)).isEqualTo("+0.50 stops");
    assertThat(LayerType.HUE_SHIFT.parameters().get("width").written(40)).isEqualTo("± 40°");
    assertThat(Unit.SHARE.written(12, 0, false)).isEqualTo("12 %");
  }

  // --- documentation

  private static String number(double value) {
    if (Double.isNaN(value)) {
      return "open";
    }
    return value == Math.rint(value)
        ? String.format(Locale.ROOT, "%.0f", value).replace('-', '−')
        : Double.toString(value).replace('-', '−');
  }

  private static String line(String name, Declared number) {
    String unit =
        switch (number.unit()) {
          case SHARE -> "share of 1";
          case STOPS -> "stops";
          case KELVIN -> "K";
          case DUV -> "0.001 u, v";
          case LIGHTNESS, LIGHTNESS_CHANGE -> "L\\*";
          case CHROMA -> "C\\*";
          case YELLOW -> "b\\*";
          case DEGREES, DEGREES_AROUND -> "°";
          case PIXELS -> "px";
          case NUMBER -> "";
        };
    return "| %s | `%s` | %s | %s … %s | %s |"
        .formatted(
            name,
            number.name(),
            unit,
            number(number.least()),
            number(number.most()),
            number(number.usual()));
  }

  /**
   * The table of docs/format.md is made from the declarations; where it differs, this says what
   * belongs there.
   */
  @Test
  public void theDocumentedRangesAreThoseThatAreDeclared() throws Exception {
    List<String> lines = new ArrayList<>();
    for (LayerType type : LayerType.values()) {
      type.parameters().all().forEach(n -> lines.add(line("`" + type.key() + "`", n)));
    }
    WITHIN.forEach(
        (type, name) -> Parameters.of(type).all().forEach(n -> lines.add(line(name, n))));
    String page = Files.readString(Path.of("../docs/format.md"));
    assertThat(page).as("docs/format.md").contains(String.join("\n", lines));
  }
}
