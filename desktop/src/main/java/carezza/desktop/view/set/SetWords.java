package carezza.desktop.view.set;

import java.util.Locale;

import carezza.desktop.text.Texts;
import carezza.model.ExposureLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LevelsLayer;
import carezza.model.ScleraLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.TeethLayer;
import carezza.model.WhiteBalanceLayer;
import carezza.set.Answer;
import carezza.set.Figures;
import carezza.set.Figures.Axis;
import carezza.set.Member;
import carezza.set.Member.State;

/** What the set says. */
final class SetWords {

  static final Texts TEXTS = Texts.of("set");

  private SetWords() {}

  static String state(State state) {
    return TEXTS.get("state." + state.name().toLowerCase(Locale.ROOT));
  }

  /** State and minutes. */
  static String about(Member member) {
    return member.minutes() > 0
        ? TEXTS.get("about", state(member.state()), Math.round(member.minutes()))
        : state(member.state());
  }

  static String axis(Axis axis) {
    return TEXTS.get("axis." + axis.name().toLowerCase(Locale.ROOT));
  }

  /** How far off a picture is, with its sign where there is a direction. */
  static String off(Figures own, Figures reference, Axis axis) {
    double off = own.off(reference, axis);
    if (Double.isNaN(off)) {
      return "–";
    }
    String format =
        switch (axis) {
          case SKIN, BALANCE -> "%.1f %s";
          case EXPOSURE -> "%+.2f %s";
          case CONTRAST -> "%+.0f %s";
        };
    return String.format(Locale.ROOT, format, off, axis.unit());
  }

  /** What a measured layer came to on this picture. */
  static String measured(Layer layer) {
    return switch (layer) {
      case WhiteBalanceLayer l ->
          String.format(Locale.ROOT, "%.0f K, %+.1f", l.temperature(), l.tint());
      case ExposureLayer l -> TEXTS.get("measured.stops", l.stops());
      case LevelsLayer l -> String.format(Locale.ROOT, "%.2f … %.2f", l.black(), l.white());
      case HealLayer l -> TEXTS.get("measured.repairs", l.patches().size());
      case SkinToneEveningLayer l ->
          String.format(Locale.ROOT, "%.0f %%", 100 * l.redness() * l.attributes().amount());
      case TeethLayer l -> String.format(Locale.ROOT, "b* %.1f", l.target());
      case ScleraLayer l -> String.format(Locale.ROOT, "b* %.1f", l.target());
      default -> String.format(Locale.ROOT, "%.0f %%", 100 * layer.attributes().amount());
    };
  }

  static String answer(Answer.Kind kind) {
    return TEXTS.get("answer." + kind.name().toLowerCase(Locale.ROOT));
  }
}
