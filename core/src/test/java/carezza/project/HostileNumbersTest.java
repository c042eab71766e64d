package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.DoubleNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.kernel.LayerType;
import carezza.metadata.Metadata.Carried;
import carezza.model.FaceMap;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.recipe.Delivery;
import carezza.session.Session;
import carezza.testing.Pictures;

/**
 * Every number of every kind of layer and mask put to extremes: the file is refused in a sentence,
 * or it renders, within seconds and a small heap.
 */
public class HostileNumbersTest {

  private static final double[] EXTREMES = {-1e300, -1e9, -1, 0, 1e4, 1e9, 1e300};
  private static final int PATIENCE_SECONDS = 20;

  private final ExecutorService worker =
      Executors.newSingleThreadExecutor(w -> Thread.ofPlatform().daemon().unstarted(w));
  private Project blank;
  private Session session;

  @BeforeClass
  public void prepare() throws Problem {
    byte[] png =
        PictureWriter.encode(
            Pictures.skin(new Area(0, 0, 96, 80), 3),
            new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB),
            "x.png");
    blank = ProjectFile.start(png, "x.png").project().withFaces(FaceMap.guess(96, 80));
    session = new Session(PictureReader.decode(png, "x.png"));
  }

  @AfterClass(alwaysRun = true)
  public void stop() {
    worker.shutdownNow();
  }

  @DataProvider
  public Object[][] layers() {
    List<Object[]> rows = new ArrayList<>();
    for (LayerType kind : LayerType.values()) {
      rows.add(new Object[] {kind.key(), "{\"kind\":\"" + kind.key() + "\"}"});
    }
    String stroke =
        "{\"points\":[40,40,1,0,60,50,1,0.2],\"radius\":9,\"softness\":0.5,\"strength\":0.6,\"edge\":5}";
    String[] masks = {
      "{\"kind\":\"oval\",\"x\":40,\"y\":40,\"radiusX\":20,\"radiusY\":10,\"angle\":5,\"softness\":0.5}",
      "{\"kind\":\"gradient\",\"from\":{\"x\":1,\"y\":1},\"to\":{\"x\":50,\"y\":60}}",
      "{\"kind\":\"polygon\",\"points\":[{\"x\":1,\"y\":1},{\"x\":50,\"y\":4},{\"x\":30,\"y\":60}],\"feather\":3}",
      "{\"kind\":\"range\",\"quantity\":\"hue\",\"start\":10,\"full\":20,\"fullEnd\":60,\"end\":80}",
      "{\"kind\":\"uneven\",\"darker\":true,\"fine\":1,\"coarse\":9,\"full\":3,\"limit\":8,"
          + "\"within\":\"skin\"}",
      "{\"kind\":\"feather\",\"of\":{\"kind\":\"everything\"},\"sigma\":4}",
      "{\"kind\":\"refine\",\"of\":{\"kind\":\"named\",\"region\":\"skin\"},\"sigma\":4}",
      "{\"kind\":\"grow\",\"of\":{\"kind\":\"named\",\"region\":\"skin\"},\"radius\":4}",
      "{\"kind\":\"scale\",\"of\":{\"kind\":\"everything\"},\"factor\":0.5}",
      "{\"kind\":\"strokes\",\"base\":{\"kind\":\"nothing\"},\"strokes\":[" + stroke + "]}"
    };
    for (String mask : masks) {
      rows.add(
          new Object[] {
            mask.substring(9, 16), "{\"kind\":\"exposure\",\"stops\":1,\"mask\":" + mask + "}"
          });
    }
    rows.add(
        new Object[] {
          "repairs",
          "{\"kind\":\"heal\",\"patches\":[{\"area\":"
              + stroke
              + ",\"source\":{\"dx\":9,\"dy\":3,\"angle\":4,\"scale\":1.2}},{\"outline\":[{\"x\":10,\"y\":10},{\"x\":30,\"y\":12},{\"x\":20,\"y\":30}],\"feather\":2,\"amount\":0.8}]}"
        });
    rows.add(
        new Object[] {
          "areas",
          "{\"kind\":\"frequencySeparation\",\"radius\":5,\"areas\":[{\"mask\":{\"kind\":\"everything\"},\"sigma\":9,\"strength\":0.5}]}"
        });
    return rows.toArray(Object[][]::new);
  }

  @Test(dataProvider = "layers")
  public void anExtremeIsRefusedOrRendered(String name, String layer) throws Exception {
    ObjectNode whole = filled(layer);
    int places = numbers(whole, -1, 0).count();
    assertThat(places).isPositive();
    for (int place = 0; place < places; place++) {
      for (double extreme : EXTREMES) {
        ObjectNode changed = filled(layer);
        numbers(changed, place, extreme);
        String json = "{\"stack\":[" + changed + "]}";
        try {
          worker.submit(() -> tried(json)).get(PATIENCE_SECONDS, TimeUnit.SECONDS);
        } catch (TimeoutException e) {
          fail("%s takes longer than %d s", json, PATIENCE_SECONDS);
        } catch (ExecutionException e) {
          assertThat(e.getCause()).as(json).isInstanceOf(Problem.class);
          assertThat(e.getCause().getMessage()).doesNotContain("carezza.").doesNotContain("java.");
        }
      }
    }
  }

  /** All fields of the kind, so that every number has its turn. */
  private static ObjectNode filled(String layer) {
    ObjectNode given = ModelJson.parse(layer.getBytes(StandardCharsets.UTF_8));
    ObjectNode stack =
        ModelJson.parse(("{\"stack\":[" + given + "]}").getBytes(StandardCharsets.UTF_8));
    Layer read = LayerJson.readStack(stack, List.of()).layers().getFirst();
    return LayerJson.write(read, null);
  }

  private Object tried(String json) throws Problem {
    LayerStack stack =
        ProjectFile.readStack(json.getBytes(StandardCharsets.UTF_8), "x.json").stack();
    Delivery delivery =
        new Delivery(0, 90, 8, 0, OutputColour.of(OutputProfile.SRGB), Carried.NOTHING, false);
    return session.exports().picture(blank.withStack(stack), delivery, Cancellation.NONE);
  }

  private record Count(int count) {}

  /** Counts the numbers below a node, and sets the one at a place. */
  private static Count numbers(JsonNode node, int place, double value) {
    int[] seen = new int[1];
    walk(node, seen, place, value);
    return new Count(seen[0]);
  }

  private static void walk(JsonNode node, int[] seen, int place, double value) {
    if (node instanceof ObjectNode object) {
      for (String field : List.copyOf(object.propertyNames())) {
        if (object.get(field).isNumber()) {
          if (seen[0]++ == place) {
            object.set(field, DoubleNode.valueOf(value));
          }
        } else {
          walk(object.get(field), seen, place, value);
        }
      }
    } else if (node instanceof ArrayNode array) {
      for (int i = 0; i < array.size(); i++) {
        if (array.get(i).isNumber()) {
          if (seen[0]++ == place) {
            array.set(i, DoubleNode.valueOf(value));
          }
        } else {
          walk(array.get(i), seen, place, value);
        }
      }
    }
  }

  // --- many of everything

  private static String nested(String before, String inner, String after, int times) {
    return before.repeat(times) + inner + after.repeat(times);
  }

  @DataProvider
  public Object[][] crowds() {
    StringBuilder chain = new StringBuilder("{\"stack\":[");
    for (int i = 0; i < 1900; i++) {
      chain.append(
          "%s{\"kind\":\"exposure\",\"id\":\"l%d\",\"mask\":{\"kind\":\"like\",\"layer\":\"l%d\"}}"
              .formatted(i == 0 ? "" : ",", i, i + 1));
    }
    StringBuilder doubling = new StringBuilder("{\"stack\":[");
    for (int i = 0; i < 14; i++) {
      String like = "{\"kind\":\"like\",\"layer\":\"l%d\"}".formatted(i + 1);
      doubling.append(
          "%s{\"kind\":\"exposure\",\"stops\":1,\"id\":\"l%d\",\"mask\":{\"kind\":\"and\",\"one\":%s,\"other\":%s}}"
              .formatted(i == 0 ? "" : ",", i, like, like));
    }
    String grow =
        nested("{\"kind\":\"grow\",\"radius\":900,\"of\":", "{\"kind\":\"everything\"}", "}", 100);
    StringBuilder polygon = new StringBuilder("{\"kind\":\"polygon\",\"feather\":0,\"points\":[");
    for (int i = 0; i < 200_000; i++) {
      polygon.append(i == 0 ? "" : ",").append("{\"x\":%d,\"y\":%d}".formatted(i % 90, i % 77));
    }
    StringBuilder stroke =
        new StringBuilder("{\"kind\":\"strokes\",\"strokes\":[{\"radius\":9,\"points\":[");
    for (int i = 0; i < 1_000_000; i++) {
      stroke.append(i == 0 ? "" : ",").append(i % 90).append(",").append(i % 77).append(",1,0");
    }
    return new Object[][] {
      {chain + "]}"},
      {doubling + "]}"},
      {"{\"stack\":[{\"kind\":\"exposure\",\"mask\":" + grow + "}]}"},
      {"{\"stack\":[{\"kind\":\"exposure\",\"mask\":" + polygon + "]}}]}"},
      {"{\"stack\":[{\"kind\":\"exposure\",\"mask\":" + stroke + "]}]}}]}"},
      {
        "{\"stack\":[{\"kind\":\"exposure\",\"mask\":"
            + nested("{\"kind\":\"invert\",\"of\":", "{\"kind\":\"everything\"}", "}", 5000)
            + "}]}"
      }
    };
  }

  @Test(dataProvider = "crowds")
  public void whatNoMachineCanDrawIsRefused(String json) throws Exception {
    try {
      worker.submit(() -> tried(json)).get(PATIENCE_SECONDS, TimeUnit.SECONDS);
      fail("This was drawn");
    } catch (TimeoutException e) {
      fail("This takes longer than %d s", PATIENCE_SECONDS);
    } catch (ExecutionException e) {
      assertThat(e.getCause()).isInstanceOf(Problem.class);
      assertThat(e.getCause().getMessage()).endsWith(".").contains("x.json");
    }
  }
}
