package carezza.benchmarks;

import java.util.HashMap;
import java.util.Map;
import java.util.stream.Collectors;

import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.kernel.LayerType;
import carezza.mask.Regions;
import carezza.model.LayerStack;
import carezza.render.Pyramid;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.TileCache;

/**
 * What all kinds of the last stage cost on top of the twenty-layer stack at 24 megapixels: both
 * rendered in turn, as a machine's speed drifts, and the time of each kind within both.
 */
final class FinishCost {

  private static final int ROUNDS = 4;

  private final Renderer renderer;
  private final Regions regions;

  private FinishCost(LargePortrait portrait) {
    Picture photo = portrait.pixels();
    Pyramid pyramid = new Pyramid(photo);
    regions = Regions.find(pyramid.level(Regions.level(portrait.faces())), portrait.faces());
    renderer = new Renderer(pyramid, new TileCache(1L << 29));
  }

  static void run() {
    LargePortrait portrait = LargePortrait.of24Megapixels();
    FinishCost cost = new FinishCost(portrait);
    LayerStack plain = BeautyStack.on(portrait.faces());
    LayerStack finished = BeautyStack.finishedOn(portrait.faces());
    cost.render(plain);
    cost.render(finished);
    for (int round = 1; round <= ROUNDS; round++) {
      Map<LayerType, Double> before = cost.render(plain);
      Map<LayerType, Double> with = cost.render(finished);
      double without = total(before);
      System.out.printf(
          "round %d: %.1f s without, %.1f s with: %.2f; %s%n",
          round,
          without,
          total(with),
          total(with) / without,
          with.entrySet().stream()
              .sorted(Map.Entry.comparingByKey())
              .map(
                  e ->
                      "%s %.1f %.1f"
                          .formatted(
                              e.getKey(), before.getOrDefault(e.getKey(), 0.0), e.getValue()))
              .collect(Collectors.joining(", ")));
    }
  }

  private static double total(Map<LayerType, Double> seconds) {
    return seconds.values().stream().mapToDouble(Double::doubleValue).sum();
  }

  /** Seconds by kind of layer. */
  private Map<LayerType, Double> render(LayerStack stack) {
    Map<LayerType, Double> seconds = new HashMap<>();
    long[] last = {System.nanoTime()};
    renderer.<RuntimeException>renderOnce(
        new RenderInput(stack, regions),
        0,
        (layer, before, after) -> {
          long now = System.nanoTime();
          seconds.merge(LayerType.of(layer), (now - last[0]) / 1e9, Double::sum);
          last[0] = now;
        },
        Cancellation.NONE);
    return seconds;
  }
}
