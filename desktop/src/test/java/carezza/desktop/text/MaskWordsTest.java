package carezza.desktop.text;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.model.Mask;
import carezza.model.Mask.And;
import carezza.model.Mask.ChangeMask;
import carezza.model.Mask.Dilate;
import carezza.model.Mask.Everything;
import carezza.model.Mask.Feather;
import carezza.model.Mask.Invert;
import carezza.model.Mask.Minus;
import carezza.model.Mask.Nothing;
import carezza.model.Mask.Opacity;
import carezza.model.Mask.Quantity;
import carezza.model.Mask.Range;
import carezza.model.Mask.RegionMask;
import carezza.model.MaskParts;
import carezza.model.Point;
import carezza.model.SemanticRegion;
import carezza.model.Stroke;

public class MaskWordsTest {

  private static final Mask SKIN = new RegionMask(SemanticRegion.FACE_SKIN);
  private static final Mask LIPS = new RegionMask(SemanticRegion.LIPS);
  private static final Stroke DAB = Stroke.dab(1, 1, 2, 0);

  @DataProvider
  public Object[][] masks() {
    return new Object[][] {
      {new Everything(), "everywhere"},
      {new Nothing().painted(DAB), "painted 1 stroke"},
      {new Minus(SKIN, LIPS).painted(DAB), "skin of the face, minus lips, painted 1 stroke"},
      {new Range(Quantity.LIGHTNESS, 10, 20, 55, 60), "L* 20 to 55"},
      {new Range(Quantity.LIGHTNESS, 50, 60, 100, 100), "lighter than L* 55"},
      {new Range(Quantity.CHROMA, 0, 0, 20, 30), "less colourful than C* 25"},
      {
        new And(new Minus(SKIN, LIPS), new Range(Quantity.LIGHTNESS, 50, 60, 100, 100))
            .painted(DAB)
            .painted(DAB),
        "skin of the face, minus lips, lighter than L* 55, painted 2 strokes"
      },
      {
        new Minus(SKIN, new RegionMask(SemanticRegion.LIPS, new Point(1, 1))),
        "skin of the face, minus lips of one person"
      },
      {new Dilate(new Feather(SKIN, 8), -3), "skin of the face, softened by 8 px, shrunk by 3 px"},
      {
        new And(
            new Invert(new RegionMask(SemanticRegion.TEETH)), new Opacity(new Everything(), 0.5)),
        "teeth, the other way round, within everywhere, at 50 %"
      },
      {new And(SKIN, new ChangeMask("x", 2)), "skin of the face, within what another layer changed"}
    };
  }

  @Test(dataProvider = "masks")
  public void aMaskReadsAsASentence(Mask mask, String words) {
    assertThat(MaskWords.of(mask)).isEqualTo(words);
  }

  @Test
  public void aPartThatIsOffIsNotSaid() {
    Mask mask = MaskParts.of(new Minus(SKIN, LIPS)).switched(1, false).mask();
    assertThat(MaskWords.of(mask)).isEqualTo("skin of the face");
  }
}
