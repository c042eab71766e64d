package carezza.desktop.view.practice;

import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

import org.jspecify.annotations.Nullable;

import carezza.codec.ScreenColour;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.practice.Score;

/** Pictures for the pages, pixel by pixel. */
final class Drawn {

  /** Rows of a hatching and what of them is drawn. */
  private static final int STRIPE = 6;

  private Drawn() {}

  /**
   * @param working shown at one to one
   * @param screen how colours come to the screen
   */
  static Image of(Picture working, ScreenColour screen) {
    return image(argb(screen.shown(working)), working.area().width(), working.area().height());
  }

  /**
   * The picture in pale grey, with what was missed hatched in white, what was overdone in black,
   * and what was lost as solid white.
   *
   * @param small of the map's size
   */
  static Image of(Picture small, Score.Map map, ScreenColour screen) {
    int[] pixels = argb(screen.shown(small));
    int w = small.area().width();
    for (int i = 0; i < pixels.length; i++) {
      int p = pixels[i];
      int grey = ((p >> 16 & 255) + 2 * (p >> 8 & 255) + (p & 255)) / 4;
      int shown = 70 + grey / 3;
      int x = i % w;
      int y = i / w;
      if (at(map.missed(), i) && (x + y) % STRIPE < 2) {
        shown = 255;
      }
      if (at(map.overdone(), i) && Math.floorMod(x - y, STRIPE) < 2) {
        shown = 0;
      }
      if (at(map.lost(), i)) {
        shown = 255;
      }
      pixels[i] = 0xff000000 | shown << 16 | shown << 8 | shown;
    }
    return image(pixels, w, small.area().height());
  }

  private static boolean at(Plane plane, int i) {
    return plane.values()[i] > 0.15f;
  }

  private static int[] argb(Picture encoded) {
    int[] out = new int[encoded.area().pixels()];
    for (int i = 0; i < out.length; i++) {
      out[i] =
          0xff000000
              | eight(encoded.first(), i) << 16
              | eight(encoded.second(), i) << 8
              | eight(encoded.third(), i);
    }
    return out;
  }

  private static int eight(Plane plane, int i) {
    return Math.clamp(Math.round(255 * plane.values()[i]), 0, 255);
  }

  private static Image image(int[] argb, int w, int h) {
    WritableImage image = new WritableImage(w, h);
    image.getPixelWriter().setPixels(0, 0, w, h, PixelFormat.getIntArgbPreInstance(), argb, 0, w);
    return image;
  }
}
