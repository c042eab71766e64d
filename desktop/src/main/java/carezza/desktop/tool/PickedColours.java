package carezza.desktop.tool;

import carezza.colour.Lab;
import carezza.colour.WhiteBalance;
import carezza.desktop.state.SelectionController;
import carezza.desktop.state.Status;
import carezza.desktop.text.Texts;
import carezza.model.BackdropLayer;
import carezza.model.ColourPaintLayer;
import carezza.model.RecordValue;
import carezza.model.SkinToneEveningLayer;
import carezza.model.SkinToneEveningLayer.Target;
import carezza.model.WhiteBalanceLayer;

/**
 * What is done with a colour that was picked; each takes red, green and blue of the working space.
 */
final class PickedColours {

  private static final Texts TEXTS = Texts.of("tools");

  /** Below this nobody can tell a cast. */
  private static final double DARKEST = 0.02;

  private final SelectionController selection;
  private final Status status;

  PickedColours(SelectionController selection, Status status) {
    this.selection = selection;
    this.status = status;
  }

  /** Balances by what should be grey. */
  void neutral(double[] c) {
    if (c[0] <= DARKEST || c[1] <= DARKEST || c[2] <= DARKEST) {
      status.say(TEXTS.get("pickedColours.this-place-is-too-dark-to"));
      return;
    }
    WhiteBalance.Light light = WhiteBalance.fromNeutral(c[0], c[1], c[2]);
    selection.edit(
        null,
        l ->
            new WhiteBalanceLayer(
                l.attributes(),
                Math.clamp(light.kelvin(), 1500, 15000),
                Math.clamp(light.tint(), -60, 60)));
  }

  /** Takes a tone to even towards, or to lay on. */
  void tone(double[] c) {
    Target tone = Target.of(Lab.ofWorking(c[0], c[1], c[2]));
    selection.edit(
        null,
        l ->
            switch (l) {
              case SkinToneEveningLayer own -> own.withTarget(tone);
              case BackdropLayer own -> own.towards(tone);
              case ColourPaintLayer own -> new ColourPaintLayer(own.attributes(), tone);
              default -> l;
            });
  }

  /** Takes the middle of a range of hues. */
  void hue(double[] c) {
    double hue = Lab.ofWorking(c[0], c[1], c[2]).hue();
    selection.edit(null, l -> RecordValue.with(l, "hue", hue));
  }
}
