package carezza.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.BlendMode;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.mask.LayerChanges;
import carezza.mask.Regions;
import carezza.model.ExposureLayer;
import carezza.model.GroupLayer;
import carezza.model.Layer;
import carezza.model.LayerAttributes;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.SemanticRegion;
import carezza.model.Stage;
import carezza.render.Renderer.Readiness;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

/** Groups, and layers that act only on what another changed. */
public class GroupRenderingTest {

  private static final Portrait PORTRAIT = Portrait.S06;
  private static final int LEVEL = 2;
  private static final Mask OVAL = new Mask.Ellipse(700, 900, 300, 350, 0, 0.5);

  private Pyramid photograph;
  private Regions regions;
  private Area whole;

  @BeforeClass
  public void open() {
    photograph = new Pyramid(PORTRAIT.picture("photo.jpg"));
    regions = Regions.find(photograph.level(0), PORTRAIT.faces());
    whole = photograph.size().atLevel(LEVEL).area();
  }

  /** Test classes live until the last of them has run; their pictures must not. */
  @AfterClass(alwaysRun = true)
  public void letGo() {
    photograph = null;
    regions = null;
  }

  private static LayerAttributes named(String id) {
    return LayerAttributes.of(id, Stage.GRADE, new Mask.Everything()).withId(id);
  }

  private static Layer exposure(String id, double stops) {
    return new ExposureLayer(named(id), stops, 0);
  }

  private static Layer in(String group, Layer layer) {
    return layer.with(layer.attributes().inGroup(group));
  }

  private static Layer masked(Layer layer, Mask mask) {
    return layer.with(layer.attributes().withMask(mask));
  }

  private RenderInput scene(Layer... layers) {
    return new RenderInput(LayerStack.of(layers), regions);
  }

  private Renderer renderer() {
    return new Renderer(photograph, new TileCache(1L << 28));
  }

  private Picture render(Layer... layers) {
    return render(renderer(), layers);
  }

  private Picture render(Renderer renderer, Layer... layers) {
    return renderer.render(scene(layers), whole, LEVEL, Readiness.EXACT, Cancellation.NONE);
  }

  private static final Layer BELOW = exposure("below", 0.3);
  private static final Layer ONE = exposure("one", 0.7);
  private static final Layer OTHER =
      LayerType.SATURATION.fresh().with(named("other").withMask(OVAL));

  private static Layer[] with(GroupLayer group) {
    return new Layer[] {BELOW, in("g", ONE), in("g", OTHER), group};
  }

  @Test
  public void aGroupInFullLeavesItsMembersAsTheyAre() {
    Picture grouped = render(with(new GroupLayer(named("g"))));
    assertThat(Pictures.largest(grouped, render(BELOW, ONE, OTHER))).isZero();
  }

  @Test
  public void aGroupsAmountScalesWhatItsMembersMakeTogether() {
    Picture without = render(BELOW);
    Picture with = render(BELOW, ONE, OTHER);
    for (double amount : new double[] {0.35, 1.5}) {
      Picture grouped = render(with(new GroupLayer(named("g").withAmount(amount))));
      for (int i = 0; i < whole.pixels(); i += 61) {
        float from = without.second().values()[i];
        float wanted = from + (float) amount * (with.second().values()[i] - from);
        assertThat(grouped.second().values()[i]).isBetween(wanted - 1e-5f, wanted + 1e-5f);
      }
    }
  }

  @Test
  public void aGroupsMaskHoldsForAllItsMembers() {
    Picture grouped = render(with(new GroupLayer(named("g").withMask(new Mask.Invert(OVAL)))));
    int middle = grouped.first().index(175, 225);
    assertThat(grouped.first().values()[middle]).isEqualTo(render(BELOW).first().values()[middle]);
    assertThat(grouped.first().values()[0])
        .isEqualTo(render(BELOW, ONE, OTHER).first().values()[0]);
  }

  @Test
  public void aGroupsBlendLaysItOverWhatLiesBelowIt() {
    Layer darker = exposure("one", -1);
    GroupLayer lighten = new GroupLayer(named("g").withBlend(BlendMode.LIGHTEN));
    Layer below = exposure("below", -0.3);
    assertThat(Pictures.largest(render(below, in("g", darker), lighten), render(below))).isZero();
  }

  @Test
  public void aGroupThatIsOffTakesItsMembersWithIt() {
    Picture off = render(with(new GroupLayer(named("g").switched(false))));
    assertThat(Pictures.largest(off, render(BELOW))).isZero();
    Picture none = render(with(new GroupLayer(named("g").withAmount(0))));
    assertThat(Pictures.largest(none, render(BELOW))).isZero();
  }

  @DataProvider
  public Object[][] stacks() {
    GroupLayer outer = new GroupLayer(named("outer").withAmount(0.6));
    GroupLayer inner =
        new GroupLayer(named("inner").withMask(new Mask.RegionMask(SemanticRegion.FACE_SKIN)));
    Layer softening = LayerType.FREQUENCY_SEPARATION.fresh().with(named("fs"));
    Mask changed = new Mask.Feather(new Mask.ChangeMask("patch", 4), 20);
    return new Object[][] {
      {
        new Layer[] {
          BELOW,
          in("outer", masked(ONE, OVAL)),
          in("inner", softening),
          in("inner", exposure("deep", 0.4)),
          in("outer", inner),
          outer,
          exposure("above", 0.1)
        }
      },
      {
        new Layer[] {
          BELOW,
          masked(exposure("patch", 0.5), OVAL),
          exposure("between", -0.1),
          masked(exposure("after", -0.6), changed)
        }
      },
      {
        new Layer[] {
          BELOW,
          in("g", masked(exposure("patch", 0.5), OVAL)),
          in("g", masked(exposure("after", -0.6), changed)),
          new GroupLayer(named("g").withAmount(0.5))
        }
      }
    };
  }

  @Test(dataProvider = "stacks")
  public void tilesBandsAndAViewThatFollowsAgree(Layer[] layers) {
    Renderer renderer = renderer();
    RenderInput scene = scene(layers);
    Picture tiles = render(renderer, layers);
    assertThat(Pictures.largest(renderer.renderOnce(scene, LEVEL, Cancellation.NONE), tiles))
        .isLessThan(2e-3);
    for (Layer edited : scene.stack().layers()) {
      IncrementalRenderer live =
          renderer.follow(scene, edited.attributes().id(), whole, LEVEL, Cancellation.NONE);
      assertThat(Pictures.largest(live.picture(), tiles))
          .as(edited.attributes().name())
          .isLessThan(2e-3);
    }
  }

  @Test(dataProvider = "stacks")
  public void anEditIsFollowedThroughGroupsAndChanges(Layer[] layers) {
    Renderer renderer = renderer();
    RenderInput scene = scene(layers);
    for (Layer edited : scene.stack().layers()) {
      if (edited.attributes().name().equals("fs")) {
        continue;
      }
      IncrementalRenderer live =
          renderer.follow(scene, edited.attributes().id(), whole, LEVEL, Cancellation.NONE);
      RenderInput now =
          new RenderInput(
              scene
                  .stack()
                  .edit(edited.attributes().id(), l -> l.with(l.attributes().withAmount(0.8))),
              regions);
      live.update(now);
      Picture exact = renderer.render(now, whole, LEVEL, Readiness.EXACT, Cancellation.NONE);
      // What a separation above makes of a low band stays as it was while the hand moves.
      assertThat(Pictures.mean(Pictures.deltaE(live.picture(), exact)))
          .as(edited.attributes().name())
          .isLessThan(0.1);
    }
  }

  @Test
  public void aLayerActsOnlyOnWhatAnotherChanged() {
    Layer patch = masked(exposure("patch", 0.5), OVAL);
    Layer after = masked(exposure("after", -0.6), new Mask.ChangeMask("patch", 4));
    Picture before = render(BELOW);
    Picture patched = render(BELOW, patch);
    Picture both = render(BELOW, patch, after);
    Picture everywhere = render(BELOW, patch, masked(after, new Mask.Everything()));
    Plane far = LayerChanges.between(before, patched);
    for (int i = 0; i < whole.pixels(); i += 37) {
      float coverage = Math.min(1, far.values()[i] / 4);
      float from = patched.first().values()[i];
      float wanted = from + coverage * (everywhere.first().values()[i] - from);
      assertThat(both.first().values()[i]).isBetween(wanted - 1e-4f, wanted + 1e-4f);
    }
  }

  @Test
  public void whatIsAboveOrGoneOrOffChangedNothing() {
    for (String other : List.of("above", "after", "gone", "off")) {
      Picture out =
          render(
              BELOW,
              in("none", masked(exposure("off", 1), OVAL)).with(named("off").switched(false)),
              masked(exposure("after", -0.6), new Mask.ChangeMask(other, 4)),
              exposure("above", 0.2));
      assertThat(Pictures.largest(out, render(BELOW, exposure("above", 0.2)))).as(other).isZero();
    }
  }

  @Test
  public void twoLayersAlikeAreToldApartWhenTheyChangePlaces() {
    Renderer renderer = renderer();
    Layer one = masked(exposure("one", 0.5), OVAL);
    Layer two = masked(exposure("two", 0.5), OVAL);
    Layer after = masked(exposure("after", -0.6), new Mask.ChangeMask("one", 60));
    render(renderer, one, two, after);
    Picture swapped = render(renderer, two, one, after);
    assertThat(Pictures.largest(swapped, render(two, one, after))).isZero();
    assertThat(Pictures.largest(swapped, render(one, two, after))).isGreaterThan(1e-3);
  }
}
