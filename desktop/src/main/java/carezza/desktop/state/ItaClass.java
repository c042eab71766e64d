package carezza.desktop.state;

import carezza.colour.Lab;
import carezza.desktop.text.Texts;

/**
 * Names of skin tones by the typology angle (Chardon and others 1991; Del Bino and Bernerd 2013).
 * Of a colour in a picture, under its light; not of a person.
 */
public enum ItaClass {
  VERY_LIGHT(55),
  LIGHT(41),
  INTERMEDIATE(28),
  TAN(10),
  BROWN(-30),
  DARK(Double.NEGATIVE_INFINITY);

  private final double above;

  ItaClass(double above) {
    this.above = above;
  }

  public String words() {
    return Texts.of("state").get("itaClass." + name());
  }

  public static ItaClass of(Lab colour) {
    for (ItaClass each : values()) {
      if (colour.ita() > each.above) {
        return each;
      }
    }
    return DARK;
  }
}
