package carezza.overlay;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import org.jspecify.annotations.Nullable;

import carezza.codec.PictureReader;
import carezza.codec.Transparency;
import carezza.colour.Transfer;
import carezza.file.Originals;
import carezza.filter.GaussianBlur;
import carezza.filter.Resampling;
import carezza.function.Recent;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.OverlayLayer;
import carezza.model.OverlayPicture;
import carezza.problem.Problem;

/**
 * The pixels of a picture to be laid over others: working space, with the alpha that its file has,
 * halved again and again. Kept for those that were asked for of late.
 */
public final class OverlayPixels {

  private static final int KEPT = 3;
  private static final int BLURRED = 6;
  private static final int SMALLEST = 32;

  private static final Recent<OverlayPicture, OverlayPixels> FOUND = new Recent<>(KEPT);

  /**
   * One size of it.
   *
   * @param colour where alpha is 0 it does not count
   * @param alpha coverage 0 … 1
   */
  public record Level(Picture colour, Plane alpha) {}

  private record Blur(int level, double sigma) {}

  private final List<Level> levels = new ArrayList<>();
  private final Recent<Blur, Level> blurred = new Recent<>(BLURRED);

  private OverlayPixels(Level full) {
    levels.add(full);
    Level last = full;
    while (Math.min(last.alpha().width(), last.alpha().height()) > SMALLEST) {
      last = new Level(last.colour().map(Resampling::half), Resampling.half(last.alpha()));
      levels.add(last);
    }
  }

  /** Its pixels; none where the file is gone, is another one now or cannot be read. */
  public static Optional<OverlayPixels> of(OverlayPicture picture) {
    try {
      return Optional.of(FOUND.of(picture, () -> read(picture)));
    } catch (Missing e) {
      return Optional.empty();
    }
  }

  /** Layers that act and whose pictures are not to be had. */
  public static List<OverlayLayer> missing(LayerStack stack) {
    return stack.acting().layers().stream()
        .filter(Layer::acts)
        .filter(OverlayLayer.class::isInstance)
        .map(OverlayLayer.class::cast)
        .filter(l -> of(l.picture()).isEmpty())
        .toList();
  }

  private static final class Missing extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Missing(@Nullable Throwable cause) {
      super(cause);
    }
  }

  private static OverlayPixels read(OverlayPicture picture) {
    OverlayPicture.Shipped shipped = picture.shipped();
    if (shipped != null) {
      Picture drawn = ShippedPictures.of(shipped);
      return new OverlayPixels(new Level(drawn, Plane.filled(drawn.area(), 1)));
    }
    try {
      byte[] bytes = bytes(picture);
      Picture colour = PictureReader.decode(bytes, picture.name()).pixels();
      return new OverlayPixels(new Level(colour, Transparency.of(bytes, colour.area())));
    } catch (Problem | IOException e) {
      throw new Missing(e);
    }
  }

  private static byte[] bytes(OverlayPicture picture) throws IOException, Problem {
    byte[] own = picture.bytes();
    if (own == null) {
      Path file = Path.of(picture.link());
      if (picture.link().isEmpty() || !Files.isRegularFile(file)) {
        throw new Missing(null);
      }
      own = PictureReader.bytes(file);
      Originals.protect(file);
    }
    if (!Originals.sha256(own).equals(picture.sha256())) {
      throw new Missing(null);
    }
    return own;
  }

  public int width() {
    return levels.getFirst().alpha().width();
  }

  public int height() {
    return levels.getFirst().alpha().height();
  }

  /** Halvings that there are, the full size among them. */
  public int count() {
    return levels.size();
  }

  /** A size of it, blurred by a sigma in its own pixels. */
  public Level level(int level, double sigma) {
    Level own = levels.get(level);
    if (sigma <= 0) {
      return own;
    }
    return blurred.of(
        new Blur(level, sigma),
        () ->
            new Level(
                own.colour().map(p -> GaussianBlur.blur(p, sigma)),
                GaussianBlur.blur(own.alpha(), sigma)));
  }

  /** The mean of its colours where there is something, in linear light by channel. */
  public double[] meanLight() {
    Level small = levels.getLast();
    double[] sum = new double[3];
    double weight = 1e-9;
    for (int i = 0; i < small.alpha().values().length; i++) {
      double a = small.alpha().values()[i];
      weight += a;
      for (int c = 0; c < 3; c++) {
        sum[c] += a * Transfer.toLinear(small.colour().plane(c).values()[i]);
      }
    }
    for (int c = 0; c < 3; c++) {
      sum[c] /= weight;
    }
    return sum;
  }
}
