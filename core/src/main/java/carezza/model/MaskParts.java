package carezza.model;

import java.util.ArrayList;
import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.model.Mask.And;
import carezza.model.Mask.Dilate;
import carezza.model.Mask.Disabled;
import carezza.model.Mask.Everything;
import carezza.model.Mask.Feather;
import carezza.model.Mask.Invert;
import carezza.model.Mask.Minus;
import carezza.model.Mask.Nothing;
import carezza.model.Mask.Opacity;
import carezza.model.Mask.Or;
import carezza.model.Mask.Refine;
import carezza.model.Mask.Strokes;

/**
 * A mask as it is read: what it starts from, then one part after the other that is joined to what
 * came before. Each part can be switched off, changed or taken out by itself.
 */
public record MaskParts(List<Part> parts) {

  /** How a part is joined to what stands before it. */
  public enum Join {
    /** It is the first. */
    START,
    /** Only where both are. */
    WITHIN,
    /** Where either is. */
    PLUS,
    /** Where it is not. */
    MINUS,
    /** It changes what stands before it. */
    CHANGE
  }

  /**
   * One part.
   *
   * @param own the mask that is joined; for a change, the change over nothing
   * @param on takes part
   */
  public record Part(Join join, Mask own, boolean on) {}

  public MaskParts {
    parts = List.copyOf(parts);
    if (parts.isEmpty() || parts.getFirst().join() != Join.START) {
      throw new IllegalArgumentException("a mask begins with what it starts from");
    }
  }

  public static MaskParts of(Mask mask) {
    List<Part> found = new ArrayList<>();
    Mask rest = mask;
    while (rest != null) {
      boolean on = !(rest instanceof Disabled);
      while (rest instanceof Disabled(Mask part)) {
        rest = part;
      }
      Mask next = under(rest);
      found.addFirst(
          next == null
              ? new Part(Join.START, rest, on)
              : switch (rest) {
                case And a -> new Part(Join.WITHIN, a.other(), on);
                case Or o -> new Part(Join.PLUS, o.other(), on);
                case Minus m -> new Part(Join.MINUS, m.taken(), on);
                default -> new Part(Join.CHANGE, over(rest, new Nothing()), on);
              });
      rest = next;
    }
    return new MaskParts(found);
  }

  /** What a mask stands on, or null if it stands for itself. */
  private static @Nullable Mask under(Mask mask) {
    return switch (mask) {
      case And a -> a.one();
      case Or o -> o.one();
      case Minus m -> m.from();
      case Strokes(Mask base, List<Stroke> strokes) -> base instanceof Nothing ? null : base;
      case Invert i -> i.of();
      case Feather f -> f.of();
      case Dilate g -> g.of();
      case Opacity s -> s.of();
      case Refine r -> r.of();
      default -> null;
    };
  }

  private static Mask over(Mask change, Mask base) {
    return switch (change) {
      case Strokes s -> new Strokes(base, s.strokes());
      case Invert i -> new Invert(base);
      case Feather f -> new Feather(base, f.sigma());
      case Dilate g -> new Dilate(base, g.radius());
      case Opacity s -> new Opacity(base, s.factor());
      case Refine r -> new Refine(base, r.sigma());
      default -> throw new IllegalArgumentException("not a change of a mask: " + change);
    };
  }

  private static Mask joined(Mask before, Part part) {
    return switch (part.join()) {
      case START -> part.own();
      case WITHIN -> new And(before, part.own());
      case PLUS -> new Or(before, part.own());
      case MINUS -> new Minus(before, part.own());
      case CHANGE -> over(part.own(), before);
    };
  }

  /** The mask again, with what is switched off still in it. */
  public Mask mask() {
    Mask whole = new Everything();
    for (Part part : parts) {
      whole = joined(whole, part);
      whole = part.on() ? whole : new Disabled(whole);
    }
    return whole;
  }

  /** The mask of the parts that are on. */
  public Mask acting() {
    Mask whole = null;
    for (Part part : parts) {
      if (!part.on()) {
        continue;
      }
      if (whole == null) {
        whole =
            switch (part.join()) {
              case START, WITHIN, PLUS -> part.own();
              case MINUS -> joined(new Everything(), part);
              case CHANGE ->
                  joined(part.own() instanceof Strokes ? new Nothing() : new Everything(), part);
            };
      } else {
        whole = joined(whole, part);
      }
    }
    return whole == null ? new Everything() : whole;
  }

  /** With the part at a place switched on, or off. */
  public MaskParts switched(int place, boolean on) {
    Part p = parts.get(place);
    return with(place, new Part(p.join(), p.own(), on));
  }

  /** With another mask for the part at a place. */
  public MaskParts changed(int place, Mask own) {
    Part p = parts.get(place);
    return with(place, new Part(p.join(), own, p.on()));
  }

  /** With the part at a place joined in another way; what starts, or changes, stays as it is. */
  public MaskParts joined(int place, Join join) {
    Part p = parts.get(place);
    return p.join() == Join.START || p.join() == Join.CHANGE
        ? this
        : with(place, new Part(join, p.own(), p.on()));
  }

  private MaskParts with(int place, Part part) {
    List<Part> changed = new ArrayList<>(parts);
    changed.set(place, part);
    return new MaskParts(changed);
  }

  /** Without the part at a place; without any, everywhere. */
  public MaskParts without(int place) {
    List<Part> left = new ArrayList<>(parts);
    left.remove(place);
    if (left.isEmpty()) {
      return of(new Everything());
    }
    Part first = left.getFirst();
    if (first.join() != Join.START) {
      Mask start = new MaskParts(List.of(new Part(Join.START, alone(first), true))).acting();
      left.set(0, new Part(Join.START, start, first.on()));
    }
    return of(new MaskParts(left).mask());
  }

  private static Mask alone(Part part) {
    Part off = new Part(Join.START, new Nothing(), false);
    return new MaskParts(List.of(off, new Part(part.join(), part.own(), true))).acting();
  }

  /**
   * With one part more. On a mask that is everywhere, or nowhere, a part that adds or limits
   * becomes the start: 'everywhere, and teeth' is nobody's wish.
   */
  public MaskParts plus(Join join, Mask own) {
    Mask only = parts.size() == 1 ? parts.getFirst().own() : null;
    boolean bare = only instanceof Everything || only instanceof Nothing;
    if (bare && (join == Join.PLUS || join == Join.WITHIN)) {
      return of(own);
    }
    List<Part> more = new ArrayList<>(parts);
    more.add(new Part(join, own, true));
    return new MaskParts(more);
  }
}
