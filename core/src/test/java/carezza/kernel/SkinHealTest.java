package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Percentage.withPercentage;

import java.util.List;
import java.util.Random;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Pigments;
import carezza.colour.WorkingSpace;
import carezza.filter.Membrane;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Band;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.HealLayer.Source;
import carezza.testing.AtWork;
import carezza.testing.Portrait;

/** Healing of skin, on skin painted from its own pigments, whose clean state is known. */
public class SkinHealTest {

  private static final Area WORK = new Area(0, 0, 96, 96);
  private static final double CENTRE = 47.5;
  private static final double RADIUS = 24;

  /** Light skin, in linear sRGB. */
  private static final double[] SKIN = {0.55, 0.33, 0.24};

  private interface Field {
    double at(double x, double y);
  }

  private static double bump(double x, double y, double cx, double cy, double sigma) {
    double d = (x - cx) * (x - cx) + (y - cy) * (y - cy);
    return Math.exp(-d / (2 * sigma * sigma));
  }

  /** In the middle of the patch. */
  private static double spot(double x, double y) {
    return bump(x, y, CENTRE, CENTRE, RADIUS / 3);
  }

  /** Light falling off across it, with a broad highlight inside. */
  private static double lit(double x, double y) {
    return (1 - 0.004 * x) * (1 + 0.2 * bump(x, y, 52, 44, 11));
  }

  /** Skin under a light, with densities of pigments, and texture that light shows. */
  private static Picture skin(Field light, double[] pigment, Field density, Field texture) {
    return skin(SKIN, light, pigment, density, texture);
  }

  private static Picture skin(
      double[] base, Field light, double[] pigment, Field density, Field texture) {
    Picture picture = Picture.of(WORK);
    for (int c = 0; c < 3; c++) {
      Plane p = picture.plane(c);
      for (int y = 0; y < WORK.height(); y++) {
        for (int x = 0; x < WORK.width(); x++) {
          double taken = Math.exp(-pigment[c] * density.at(x, y));
          p.values()[p.index(x, y)] =
              (float) (base[c] * light.at(x, y) * taken * (1 + texture.at(x, y)));
        }
      }
    }
    return WorkingSpace.fromLinearSrgb(picture);
  }

  private static Field noise(double strength) {
    Random random = new Random(11);
    double[] v = new double[WORK.pixels()];
    for (int i = 0; i < v.length; i++) {
      v[i] = strength * random.nextGaussian();
    }
    return (x, y) -> v[(int) y * WORK.width() + (int) x];
  }

  private static Plane plane(Field field) {
    Plane plane = Plane.of(WORK);
    for (int y = 0; y < WORK.height(); y++) {
      for (int x = 0; x < WORK.width(); x++) {
        plane.values()[plane.index(x, y)] = (float) field.at(x, y);
      }
    }
    return plane;
  }

  private static double away(double x, double y) {
    return Math.hypot(x - CENTRE, y - CENTRE);
  }

  private static final Plane COVERAGE = plane((x, y) -> Math.clamp(RADIUS - away(x, y), 0, 1));
  private static final Plane TRUST =
      plane((x, y) -> away(x, y) > RADIUS + 1 && away(x, y) < 1.6 * RADIUS ? 0.01 : 0);

  private static SkinTone tone(Picture own) {
    return new SkinTone(own, TRUST, COVERAGE, RADIUS);
  }

  private static SkinTexture texture(Picture own) {
    return new SkinTexture(own, TRUST, COVERAGE, RADIUS, 1);
  }

  /** Largest relative error inside. */
  private static double worst(Picture result, Picture right) {
    double worst = 0;
    for (int c = 0; c < 3; c++) {
      for (int i = 0; i < COVERAGE.values().length; i++) {
        if (COVERAGE.values()[i] > 0.9) {
          float is = result.plane(c).values()[i];
          float should = right.plane(c).values()[i];
          worst = Math.max(worst, Math.abs(is / should - 1));
        }
      }
    }
    return worst;
  }

  @Test
  public void bloodGoesAndTheHighlightUnderItStays() {
    Picture clean = skin(SkinHealTest::lit, Pigments.HAEMOGLOBIN, (x, y) -> 0, (x, y) -> 0);
    Picture red =
        skin(SkinHealTest::lit, Pigments.HAEMOGLOBIN, (x, y) -> 0.5 * spot(x, y), (x, y) -> 0);
    SkinTone tone = tone(red);
    assertThat(tone.onlyBlood()).isTrue();
    double flat = worst(red.map(p -> Membrane.solve(p, TRUST)), clean);
    assertThat(flat).as("left by the membrane").isGreaterThan(0.06);
    assertThat(worst(tone.picture(), clean)).as("left").isLessThan(0.55 * flat);
  }

  @DataProvider
  public Object[][] bloods() {
    return new Object[][] {
      {"light", SKIN, 0.2},
      {"tan", new double[] {0.3, 0.145, 0.085}, 0.36},
      {"dark", new double[] {0.11, 0.043, 0.025}, 0.8}
    };
  }

  /**
   * On dark skin blood takes red light, too: what it takes is taken back, and no dark spot is left.
   */
  @Test(dataProvider = "bloods")
  public void bloodGoesOnLightAndDarkSkinAlike(String name, double[] base, double inRed) {
    double[] blood = {inRed, 1 + inRed, 0.9 + inRed};
    Picture clean = skin(base, (x, y) -> 1, blood, (x, y) -> 0, (x, y) -> 0);
    Picture red = skin(base, (x, y) -> 1, blood, (x, y) -> 0.25 * spot(x, y), (x, y) -> 0);
    assertThat(tone(red).onlyBlood()).as(name).isTrue();
    assertThat(worst(tone(red).picture(), clean)).as(name).isLessThan(0.012);
  }

  @DataProvider
  public Object[][] things() {
    return new Object[][] {
      {"mole", Pigments.MELANIN, 1.2},
      {"scratch", new double[] {1, 1, 1}, 0.4},
      {"white speck", new double[] {1, 1, 1}, -0.4}
    };
  }

  @Test(dataProvider = "things")
  public void aThingOfItsOwnGoesWholly(String thing, double[] pigment, double density) {
    Picture own = skin((x, y) -> 1, pigment, (x, y) -> density * spot(x, y), (x, y) -> 0);
    SkinTone tone = tone(own);
    assertThat(tone.onlyBlood()).as(thing).isFalse();
    Picture clean = skin((x, y) -> 1, pigment, (x, y) -> 0, (x, y) -> 0);
    assertThat(worst(tone.picture(), clean)).as(thing).isLessThan(0.005);
  }

  @Test
  public void textureUnderBloodIsWholeAndStaysAsItWas() {
    Field pores = noise(0.03);
    Picture clean = skin((x, y) -> 1, Pigments.HAEMOGLOBIN, (x, y) -> 0, pores);
    Picture red = skin((x, y) -> 1, Pigments.HAEMOGLOBIN, (x, y) -> 0.4 * spot(x, y), pores);
    assertThat(texture(red).whole()).isTrue();
    Picture healed = texture(red).layOwn(tone(red).picture());
    double same = correlation(healed.second(), clean.second());
    assertThat(same).as("pores as they were").isGreaterThan(0.95);
  }

  private static double correlation(Plane one, Plane other) {
    double ab = 0;
    double aa = 0;
    double bb = 0;
    double ma = mean(one);
    double mb = mean(other);
    for (int i = 0; i < COVERAGE.values().length; i++) {
      if (COVERAGE.values()[i] > 0.9) {
        double a = one.values()[i] - ma;
        double b = other.values()[i] - mb;
        ab += a * b;
        aa += a * a;
        bb += b * b;
      }
    }
    return ab / Math.sqrt(aa * bb);
  }

  private static double mean(Plane plane) {
    double sum = 0;
    int n = 0;
    for (int i = 0; i < COVERAGE.values().length; i++) {
      if (COVERAGE.values()[i] > 0.9) {
        sum += plane.values()[i];
        n++;
      }
    }
    return sum / n;
  }

  @Test
  public void aHoleInThePoresOrAHairAcrossIsNotWhole() {
    Field pores = noise(0.03);
    Picture worn =
        skin(
            (x, y) -> 1,
            Pigments.MELANIN,
            (x, y) -> 0,
            (x, y) -> away(x, y) < RADIUS ? 0.2 * pores.at(x, y) : pores.at(x, y));
    assertThat(texture(worn).whole()).as("worn smooth").isFalse();
    Picture hair =
        skin((x, y) -> 1, Pigments.MELANIN, (x, y) -> x == 48 && away(x, y) < 20 ? 2 : 0, pores);
    assertThat(texture(hair).whole()).as("with a hair").isFalse();
  }

  @Test
  public void whatIsBroughtIsAsStrongAsThePoresAround() {
    Field pores = noise(0.03);
    Picture own = skin((x, y) -> 1, Pigments.MELANIN, (x, y) -> 0, pores);
    Picture coarse =
        skin((x, y) -> 1, Pigments.MELANIN, (x, y) -> 0, (x, y) -> 1.4 * pores.at(95 - x, y));
    Picture laid = texture(own).lay(coarse, tone(own).picture());
    double around = spread(own.second(), SkinHealTest::outside);
    double there = spread(laid.second(), (x, y) -> COVERAGE.at((int) x, (int) y));
    assertThat(there).isCloseTo(around, withPercentage(8));
  }

  private static double outside(double x, double y) {
    return TRUST.at((int) x, (int) y) > 0 ? 1 : 0;
  }

  private static double spread(Plane plane, Field where) {
    double sum = 0;
    double square = 0;
    int n = 0;
    for (int y = 0; y < WORK.height(); y++) {
      for (int x = 0; x < WORK.width(); x++) {
        if (where.at(x, y) > 0.9) {
          sum += plane.at(x, y);
          square += plane.at(x, y) * plane.at(x, y);
          n++;
        }
      }
    }
    return Math.sqrt(square / n - sum / n * sum / n);
  }

  /** A red spot, on the neck of s01. */
  private static List<Source> red(int most) {
    return sources(Portrait.S01, 578.5, 1439.5, 23, most);
  }

  @Test
  public void rednessKeepsItsOwnTextureAndOthersCanBeAskedFor() {
    List<Source> red = red(4);
    assertThat(red).hasSize(4);
    assertThat(red.getFirst()).isEqualTo(Source.OWN);
    assertThat(red.subList(1, 4)).doesNotContain(Source.OWN);
  }

  /** What is cloned, or brought as texture, must come from somewhere. */
  @Test
  public void onlyAHealOfAllKeepsItsOwnTexture() {
    HealLayer fresh = (HealLayer) LayerType.HEAL.fresh();
    Patch red = Patch.spot(578.5, 1439.5, 23);
    AtWork work = AtWork.on(Portrait.S01);
    for (HealLayer layer :
        List.of(
            fresh.withPatches(List.of(red.withWay(RepairMethod.CLONE))),
            new HealLayer(fresh.attributes(), List.of(red), fresh.softness(), Band.TEXTURE))) {
      HealLayer found =
          (HealLayer)
              work.session()
                  .repairs()
                  .withSources(work.with(layer), Cancellation.NONE)
                  .stack()
                  .layers()
                  .getFirst();
      assertThat(found.patches().getFirst().sources()).hasSize(1).doesNotContain(Source.OWN);
    }
    Patch own = new Patch(red.area(), Source.OWN);
    assertThat(own.withWay(RepairMethod.CLONE).sources()).isEmpty();
    assertThat(own.withWay(RepairMethod.HEAL).sources()).containsExactly(Source.OWN);
  }

  @DataProvider
  public Object[][] moles() {
    return new Object[][] {
      {Portrait.S01, 580.6, 1203.1, 5.5}, {Portrait.S01, 571.3, 1461.1, 3.7},
      {Portrait.S03, 434.1, 782.2, 6.2}, {Portrait.S03, 477.6, 350.3, 7.4},
      {Portrait.S03, 850.2, 650.7, 8.0}, {Portrait.S04, 609.5, 1289.4, 5.2}
    };
  }

  @Test(dataProvider = "moles")
  public void aMoleThatIsHealedTakesSkinFromElsewhere(
      Portrait portrait, double x, double y, double radius) {
    assertThat(sources(portrait, x, y, 1.25 * radius + 2, 4))
        .isNotEmpty()
        .doesNotContain(Source.OWN);
  }

  private static List<Source> sources(
      Portrait portrait, double x, double y, double radius, int most) {
    AtWork work = AtWork.on(portrait);
    Patch patch = Patch.spot(x, y, radius);
    HealLayer layer = ((HealLayer) LayerType.HEAL.fresh()).withPatches(List.of(patch));
    return work.session()
        .repairs()
        .sources(
            work.with(layer),
            layer.attributes().id(),
            patch.pieces().getFirst(),
            most,
            Cancellation.NONE);
  }
}
