package carezza.desktop.state;

import carezza.colour.Lab;

/**
 * Names of skin tones by the typology angle (Chardon and others 1991; Del Bino and Bernerd 2013). Of a
 * colour in a picture, under its light; not of a person.
 */
public enum ItaClass {
  VERY_LIGHT("very light", 55),
  LIGHT("light", 41),
  INTERMEDIATE("intermediate", 28),
  TAN("tan", 10),
  BROWN("brown", -30),
  DARK("dark", Double.NEGATIVE_INFINITY);

  private final String words;
  private final double above;

  ItaClass(String words, double above) {
    this.words = words;
    this.above = above;
  }

  public String words() {
    return words;
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
