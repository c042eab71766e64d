package carezza.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;

import org.assertj.core.data.Offset;
import org.testng.annotations.Test;

import carezza.colour.DeltaE2000;
import carezza.colour.Lab;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.metadata.Metadata;
import carezza.metadata.Metadata.Carried;
import carezza.press.Intent;
import carezza.press.PressTables;
import carezza.problem.Problem;

public class PressProfileTest {

  private static Picture of(List<Lab> colours) {
    Picture out = Picture.of(new Area(0, 0, colours.size(), 1));
    for (int i = 0; i < colours.size(); i++) {
      double[] rgb = colours.get(i).toWorking();
      for (int c = 0; c < 3; c++) {
        out.plane(c).values()[i] = (float) rgb[c];
      }
    }
    return out;
  }

  private static List<Lab> colours(Picture working) {
    Picture lab = Lab.of(working);
    List<Lab> out = new ArrayList<>();
    for (int i = 0; i < working.area().pixels(); i++) {
      out.add(new Lab(lab.first().values()[i], lab.second().values()[i], lab.third().values()[i]));
    }
    return out;
  }

  /** What another colour engine makes of the file that was written. */
  private static List<Lab> printed(List<Lab> colours, Intent intent, boolean blackPoint)
      throws Problem {
    byte[] file =
        PictureWriter.encode(
            of(colours),
            new PictureWriter.Settings(
                PictureFormat.TIFF,
                90,
                16,
                new OutputColour(OutputProfile.COATED, intent, blackPoint),
                Metadata.NONE,
                Carried.NOTHING),
            "inks.tif");
    Photograph again = PictureReader.decode(file, "inks.tif");
    assertThat(again.profile()).contains("coated");
    return colours(again.pixels());
  }

  private static List<Lab> greys(double darkest) {
    List<Lab> out = new ArrayList<>();
    for (double l = darkest; l <= 100; l += 2) {
      out.add(new Lab(l, 0, 0));
    }
    return out;
  }

  /** Skin from the lightest to the deepest, lips, cloth: all well inside what ink can print. */
  private static List<Lab> patches() {
    List<Lab> out = new ArrayList<>();
    for (double l = 28; l <= 82; l += 9) {
      for (double hue : new double[] {20, 55, 75, 240}) {
        out.add(Lab.ofLch(l, hue == 240 ? 18 : 22, hue));
      }
    }
    return out.subList(0, 24);
  }

  @Test
  public void theShippedProfileIsWhatTheModelMakes() throws IOException {
    try (InputStream in = PressProfile.class.getResourceAsStream("/carezza/press/coated.icc")) {
      assertThat(in).isNotNull();
      assertThat(in.readAllBytes()).isEqualTo(PressProfile.make());
    }
  }

  @Test
  public void printableColoursComeBackAsTheyWere() throws Problem {
    for (List<Lab> colours : List.of(greys(16), patches())) {
      List<Lab> back = printed(colours, Intent.COLORIMETRIC, false);
      for (int i = 0; i < colours.size(); i++) {
        assertThat(DeltaE2000.between(colours.get(i), back.get(i)))
            .as("%s came back as %s", colours.get(i), back.get(i))
            .isLessThan(0.5);
      }
    }
  }

  @Test
  public void noPlaceGetsMoreInkThanItHolds() {
    List<Lab> colours = new ArrayList<>(greys(0));
    for (double l = 2; l < 100; l += 7) {
      for (double h = 0; h < 360; h += 30) {
        colours.add(Lab.ofLch(l, 60, h));
      }
    }
    for (Intent intent : Intent.values()) {
      Plane[] inks = new PressProfile(intent, true).separated(of(colours));
      for (int i = 0; i < colours.size(); i++) {
        double sum = 0;
        for (Plane ink : inks) {
          assertThat(ink.values()[i]).isBetween(0f, 1f);
          sum += ink.values()[i];
        }
        // The limit holds for effective coverage; nominal values are lower.
        assertThat(sum).isLessThan(3.25);
      }
    }
  }

  @Test
  public void blackPointCompensationKeepsTheDarksApart() throws Problem {
    List<Lab> darks = List.of(new Lab(0, 0, 0), new Lab(4, 0, 0), new Lab(8, 0, 0));
    List<Lab> kept = printed(darks, Intent.COLORIMETRIC, true);
    List<Lab> clipped = printed(darks, Intent.COLORIMETRIC, false);
    assertThat(kept.get(0).l()).isCloseTo(PressTables.BLACKEST, Offset.offset(1.5));
    assertThat(kept.get(1).l()).isGreaterThan(kept.get(0).l() + 0.3);
    assertThat(kept.get(2).l()).isGreaterThan(kept.get(1).l() + 0.5);
    assertThat(clipped.get(1).l() - clipped.get(0).l())
        .isLessThan(kept.get(1).l() - kept.get(0).l());
    assertThat(printed(List.of(new Lab(100, 0, 0)), Intent.COLORIMETRIC, true).getFirst().l())
        .isGreaterThan(99.5);
  }

  @Test
  public void thePerceptualIntentKeepsStepsOfStrongColour() throws Problem {
    List<Lab> blues = List.of(Lab.ofLch(40, 80, 290), Lab.ofLch(40, 95, 290));
    List<Lab> perceptual = printed(blues, Intent.PERCEPTUAL, true);
    assertThat(perceptual.get(1).chroma()).isGreaterThan(perceptual.get(0).chroma());
    for (Lab printed : perceptual) {
      assertThat(printed.chroma()).isLessThan(70);
    }
  }

  @Test
  public void inksAreNotWrittenWhereTheyWouldNotBeRead() {
    for (String name : new String[] {"x.jpg", "x.png"}) {
      assertThatThrownBy(
              () ->
                  PictureWriter.encode(
                      of(greys(0)),
                      new PictureWriter.Settings(
                          PictureFormat.of(name), 90, 8, OutputProfile.COATED),
                      name))
          .isInstanceOf(Problem.class)
          .hasMessageContaining(name)
          .hasMessageContaining(".tif");
    }
  }
}
