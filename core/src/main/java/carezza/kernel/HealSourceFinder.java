package carezza.kernel;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;

import org.jspecify.annotations.Nullable;

import carezza.model.HealLayer;
import carezza.model.HealLayer.Band;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.HealLayer.Source;
import carezza.model.Point;
import carezza.model.RepairArea;

/**
 * Chooses where a piece of a repair takes its skin from: around it, at distances growing from just
 * beside it, the place whose rim fits best up to a constant, that holds no blemish of its own,
 * whose texture is as strong as that around the piece and runs the same way, and that lies on skin,
 * on no lip, brow or hair, and in no other repair. The best places are tried in quarter turns and
 * mirrored as well. Pieces near one another do not take the same place twice. Skin in which only
 * blood is wrong keeps its own texture and needs no source. Deterministic.
 */
public final class HealSourceFinder {

  /** Sources to choose from, and what a piece may pay for not being its neighbour's twin. */
  private static final int CHOICE = 8;

  private static final double TWIN_COST = 0.6;
  private static final double NEIGHBOURS = 8;

  private HealSourceFinder() {}

  /**
   * A piece whose source is to be chosen, and whether its tone is made anew, so that it may keep
   * its own.
   */
  private record Open(Piece piece, boolean anew) {}

  /** The sources of every patch, those that were open chosen; none where no place is allowed. */
  static List<List<Source>> sources(HealLayer layer, Probe probe) {
    List<Patch> patches = layer.patches();
    List<Piece> all = pieces(layer).toList();
    List<Open> open =
        patches.stream()
            .filter(Patch::open)
            .flatMap(p -> p.pieces().stream().map(piece -> new Open(piece, anew(layer, p))))
            .toList();
    List<List<SourceSearch.Candidate>> ranked =
        open.parallelStream().map(o -> choice(o, all, probe)).toList();
    List<Taken> taken = new ArrayList<>();
    for (Piece piece : all) {
      if (piece.source() != null) {
        taken.add(new Taken(piece.area(), piece.source()));
      }
    }
    List<List<Source>> found = new ArrayList<>();
    int next = 0;
    for (Patch patch : patches) {
      List<Source> own = new ArrayList<>();
      for (Piece piece : patch.pieces()) {
        if (patch.open()) {
          own.add(fresh(piece, ranked.get(next++), taken));
        }
      }
      found.add(patch.open() ? filled(own) : patch.sources());
    }
    return found;
  }

  private static Stream<Piece> pieces(HealLayer layer) {
    return layer.patches().stream().flatMap(p -> p.pieces().stream());
  }

  private static boolean anew(HealLayer layer, Patch patch) {
    return patch.way() == RepairMethod.HEAL && layer.band() == Band.ALL;
  }

  private static List<SourceSearch.Candidate> choice(Open open, List<Piece> all, Probe probe) {
    SourceSearch search = new SourceSearch(open.piece(), all, open.anew(), probe);
    return search.keepsItsOwn() ? List.of(SourceSearch.Candidate.OWN) : search.others(CHOICE);
  }

  /** The best sources of one piece of a layer's repairs, the best first. */
  static List<Source> ranked(HealLayer layer, Piece piece, int most, Probe probe) {
    boolean anew =
        layer.patches().stream().anyMatch(p -> anew(layer, p) && p.pieces().contains(piece));
    return new SourceSearch(piece, pieces(layer).toList(), anew, probe)
        .ranked(most).stream().map(SourceSearch.Candidate::source).toList();
  }

  /** A source that is in use. */
  private record Taken(RepairArea area, Source source) {

    /** Whether it shows the same skin close by: the eye finds such twins. */
    boolean twin(RepairArea other, Source tried) {
      Point here = area.centre();
      Point there = other.centre();
      double reach = Math.max(area.radius(), other.radius());
      return here.distance(there) < NEIGHBOURS * reach
          && here.plus(source.dx(), source.dy()).distance(there.plus(tried.dx(), tried.dy()))
              < reach;
    }
  }

  private static @Nullable Source fresh(
      Piece piece, List<SourceSearch.Candidate> ranked, List<Taken> taken) {
    if (ranked.isEmpty()) {
      return null;
    }
    Source chosen =
        ranked.stream()
            .filter(c -> c.cost() < ranked.getFirst().cost() + TWIN_COST)
            .map(SourceSearch.Candidate::source)
            .filter(s -> taken.stream().noneMatch(t -> t.twin(piece.area(), s)))
            .findFirst()
            .orElse(ranked.getFirst().source());
    taken.add(new Taken(piece.area(), chosen));
    return chosen;
  }

  /** A piece without a place of its own takes its neighbour's; none if none has one. */
  private static List<Source> filled(List<Source> own) {
    Source last = own.stream().filter(Objects::nonNull).findFirst().orElse(null);
    if (last == null) {
      return List.of();
    }
    List<Source> out = new ArrayList<>();
    for (Source s : own) {
      last = s == null ? last : s;
      out.add(last);
    }
    return out;
  }
}
