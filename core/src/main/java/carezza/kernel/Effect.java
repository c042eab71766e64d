package carezza.kernel;

import java.util.function.UnaryOperator;

import carezza.image.Area;
import carezza.image.Picture;

/**
 * What a layer does at one level, before its amount and mask are taken into account. Safe for many
 * threads.
 */
public interface Effect {

  /**
   * The area of the layer's input that {@code out} is computed from; may pass the picture's edge.
   */
  Area needed(Area out);

  /**
   * The changed pixels.
   *
   * @param input working-space pixels over at least {@code needed(out)} cut to the picture; not
   *     modified
   * @return working-space pixels over {@code out}; may be the input itself, so not to be modified
   */
  Picture render(Picture input, Area out);

  /**
   * The same effect, to be asked for many parts of one output: what the parts share may be computed
   * here, once, so that a part reads less.
   *
   * @param input the layer's input over at least {@code needed(out)} cut to the picture; not
   *     modified
   * @param out the area that the parts lie in
   */
  default Effect over(Picture input, Area out) {
    return this;
  }

  /**
   * The effect for as long as a hand is changing the input: what it makes of low bands and repairs
   * may stay as it is for this input.
   *
   * @param input as for {@link #over}
   */
  default Effect steady(Picture input, Area out) {
    return over(input, out);
  }

  /** The area of the output that a change of the input may change; may pass the picture's edge. */
  default Area changedBy(Area input) {
    return needed(input);
  }

  /** An effect on each pixel by itself; the operator must not change what it is given. */
  static Effect perPixel(UnaryOperator<Picture> operator) {
    return new Effect() {
      @Override
      public Area needed(Area out) {
        return out;
      }

      @Override
      public Picture render(Picture input, Area out) {
        return operator.apply(input.crop(out));
      }
    };
  }

  /** The pixels, as a function of input and output area. */
  @FunctionalInterface
  interface Pixels {
    Picture render(Picture input, Area out);
  }

  /** An effect that reads {@code reach} pixels beyond its output. */
  static Effect reaching(int reach, Pixels pixels) {
    return new Effect() {
      @Override
      public Area needed(Area out) {
        return out.grow(reach);
      }

      @Override
      public Picture render(Picture input, Area out) {
        return pixels.render(input, out);
      }
    };
  }
}
