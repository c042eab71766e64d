package carezza.desktop.state;

import java.util.List;

import carezza.desktop.text.Texts;
import carezza.kernel.LayerType;
import carezza.model.ExposureLayer;
import carezza.model.Layer;
import carezza.model.LevelsLayer;

/** The base of a low-key picture: light taken down as a whole, its lights brought up again. */
public final class LowKey {

  private static final Texts TEXTS = Texts.of("state");

  private static final double DOWN = -1.1;
  private static final double LIGHTS_UP = 0.8;

  private LowKey() {}

  public static List<Layer> layers() {
    ExposureLayer down =
        new ExposureLayer(
            LayerType.EXPOSURE.fresh().attributes().named(TEXTS.get("lowKey.low-key-light-down")),
            DOWN,
            0);
    LevelsLayer up =
        new LevelsLayer(
            LayerType.LEVELS.fresh().attributes().named(TEXTS.get("lowKey.low-key-lights-up")),
            0,
            1,
            0,
            LIGHTS_UP);
    return List.of(down, up);
  }
}
