package carezza.practice;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.stream.IntStream;

import carezza.codec.PictureReader;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.Point;
import carezza.problem.Problem;

/**
 * Made-up people whose skin is known without a blemish and without a blotch, with the masks that
 * they were rendered with.
 */
public enum Sitter {
  UNDERSTUDY("s01", false, List.of(325, 614, 1130, 1570), List.of(581, 1203, 571, 1461)),
  STAGE_CARPENTER(
      "s02",
      true,
      List.of(297, 441, 1306, 1572),
      List.of(610, 1029, 627, 930, 1196, 978, 740, 1153)),
  CELLIST("p11", false, List.of(336, 358, 1178, 1380), List.of(685, 1037, 1118, 1146, 1022, 570)),
  APOTHECARY("s06", false, List.of(362, 453, 1191, 1401), List.of(428, 1036, 894, 918));

  private static final String FOLDER = "/carezza/practice/";

  private final String folder;
  private final boolean deep;
  private final List<Integer> oval;
  private final List<Integer> moles;

  /**
   * @param deep whether spots on this skin are more dark than red
   * @param oval left, top, right and bottom of the face
   * @param moles places of the largest natural marks, x and y in turn
   */
  Sitter(String folder, boolean deep, List<Integer> oval, List<Integer> moles) {
    this.folder = folder;
    this.deep = deep;
    this.oval = oval;
    this.moles = moles;
  }

  /** What of a person a mask is of. */
  public enum Part {
    SKIN,
    LIPS,
    TEETH,
    SCLERA,
    IRIS,
    BROWS_LASHES,
    HAIR,
    SUBJECT
  }

  boolean isDeep() {
    return deep;
  }

  /** Width of the face in pixels. */
  public double faceWidth() {
    return oval.get(2) - oval.get(0);
  }

  /** The face with some of what is around it, in photograph pixels. */
  public Area face() {
    int beside = (int) (0.2 * faceWidth());
    Area all =
        new Area(oval.get(0), oval.get(1), oval.get(2) - oval.get(0), oval.get(3) - oval.get(1));
    return all.grow(beside);
  }

  double left() {
    return oval.get(0);
  }

  double top() {
    return oval.get(1);
  }

  double right() {
    return oval.get(2);
  }

  double bottom() {
    return oval.get(3);
  }

  /** Where the natural marks are. */
  List<Point> moles() {
    return IntStream.range(0, moles.size() / 2)
        .mapToObj(i -> new Point(moles.get(2 * i), moles.get(2 * i + 1)))
        .toList();
  }

  /** The skin even, without a blemish; working space. */
  public Picture even() {
    return decoded("even.jpg");
  }

  public boolean shows(Part part) {
    return Sitter.class.getResource(path(file(part))) != null;
  }

  /** Coverage of a part, 0 … 1; nothing where it is not to be seen. */
  public Plane mask(Part part) {
    if (!shows(part)) {
      return Plane.of(mask(Part.SKIN).area());
    }
    // Grey is the same number in every space with the same curve.
    return decoded(file(part)).first();
  }

  private static String file(Part part) {
    return part.name().toLowerCase(Locale.ROOT) + ".png";
  }

  private String path(String name) {
    return FOLDER + folder + "/" + name;
  }

  private Picture decoded(String name) {
    try (InputStream in = Objects.requireNonNull(Sitter.class.getResourceAsStream(path(name)))) {
      return PictureReader.decode(in.readAllBytes(), name).pixels();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (Problem e) {
      throw new IllegalStateException(e);
    }
  }
}
