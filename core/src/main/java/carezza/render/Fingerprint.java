package carezza.render;

import java.lang.reflect.RecordComponent;
import java.util.List;
import java.util.Map;
import java.util.Set;

import org.jspecify.annotations.Nullable;

import carezza.model.LayerAttributes;
import carezza.model.LockedLayer;
import carezza.model.OverlayPicture;
import carezza.model.Stroke;

/**
 * A 128-bit hash of contents: equal contents have equal fingerprints, in every run of the program.
 * Records are taken apart by their components, so a new kind of layer needs nothing here.
 */
public record Fingerprint(long one, long two) {

  private static final ClassValue<RecordComponent[]> COMPONENTS =
      new ClassValue<>() {
        @Override
        protected RecordComponent[] computeValue(Class<?> type) {
          return type.getRecordComponents();
        }
      };

  /**
   * Of records, lists, sets, strings, numbers, rows of them, enums, strokes and null, nested as
   * they come.
   */
  public static Fingerprint of(Object... contents) {
    Mixer mixer = new Mixer();
    for (Object o : contents) {
      mixer.add(o);
    }
    return new Fingerprint(mixer.one, mixer.two);
  }

  private static final class Mixer {
    private long one = 0x9E3779B97F4A7C15L;
    private long two = 0xC2B2AE3D27D4EB4FL;

    private void mix(long v) {
      // The finaliser of SplitMix64 on each lane, with different increments.
      one = scramble(one + v * 0xBF58476D1CE4E5B9L + 0x9E3779B97F4A7C15L);
      two = scramble(two ^ (v * 0x94D049BB133111EBL + 0xD6E8FEB86659FD93L));
    }

    private static long scramble(long z) {
      long a = (z ^ (z >>> 30)) * 0xBF58476D1CE4E5B9L;
      long b = (a ^ (a >>> 27)) * 0x94D049BB133111EBL;
      return b ^ (b >>> 31);
    }

    private void add(@Nullable Object o) {
      switch (o) {
        case null -> mix(1);
        case Fingerprint f -> {
          mix(f.one);
          mix(f.two);
        }
        case Double d -> mix(Double.doubleToLongBits(d));
        case Integer i -> mix(i);
        case Long l -> mix(l);
        case Boolean b -> mix(b ? 3 : 2);
        case float[] values -> {
          mix(values.length);
          for (float v : values) {
            mix(Float.floatToRawIntBits(v));
          }
        }
        case Enum<?> e -> add(e.name());
        case CharSequence s -> {
          mix(s.length());
          s.chars().forEach(this::mix);
        }
        case Stroke stroke -> stroke(stroke);
        case OverlayPicture picture -> {
          add(picture.shipped());
          add(picture.sha256());
          add(picture.link());
          add(picture.bytes() != null);
        }
        // Changes nothing, whatever it holds.
        case LockedLayer locked -> mix(4);
        case LayerAttributes attributes -> {
          // Names and places on the screen change no pixel.
          add(attributes.on());
          add(attributes.amount());
          add(attributes.mask());
          add(attributes.blend());
        }
        case List<?> list -> {
          mix(list.size());
          list.forEach(this::add);
        }
        case Set<?> set -> {
          // In whatever order they come.
          long one = 0;
          long two = 0;
          for (Object member : set) {
            Fingerprint f = of(member);
            one += f.one;
            two += f.two;
          }
          mix(set.size());
          mix(one);
          mix(two);
        }
        case Map<?, ?> map -> throw new IllegalArgumentException("Maps have no order");
        case Record r -> record(r);
        default -> throw new IllegalArgumentException("No fingerprint of " + o.getClass());
      }
    }

    private void stroke(Stroke stroke) {
      mix(stroke.digest());
      mix(stroke.size());
      add(stroke.radius());
      add(stroke.softness());
      add(stroke.strength());
      add(stroke.erase());
      add(stroke.edge());
    }

    private void record(Record r) {
      add(r.getClass().getName());
      try {
        for (RecordComponent component : COMPONENTS.get(r.getClass())) {
          add(component.getAccessor().invoke(r));
        }
      } catch (ReflectiveOperationException e) {
        throw new IllegalStateException("Component of " + r.getClass(), e);
      }
    }
  }
}
