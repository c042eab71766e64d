package carezza.benchmarks;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

import carezza.codec.PictureReader;
import carezza.colour.DeltaE2000;
import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.measure.Gauge;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.model.Stage;
import carezza.plan.Finding;
import carezza.plan.FindingKind;
import carezza.plan.Plan;
import carezza.problem.Problem;
import carezza.project.ProjectFile;
import carezza.render.Renderer.Readiness;
import carezza.session.Session;
import carezza.session.Treatments.Guide;

/** Plans and drafts against the faults that were painted into the made-up portraits. */
final class PlanTruth {

  /** Words of a fault, and the kind of finding that it is. */
  private static final Map<String, FindingKind> FAULTS =
      Map.ofEntries(
          Map.entry("uneven redness", FindingKind.REDNESS),
          Map.entry("strong redness", FindingKind.REDNESS),
          Map.entry("blotchy redness", FindingKind.REDNESS),
          Map.entry("face blotchy", FindingKind.REDNESS),
          Map.entry("blotchy pigmentation", FindingKind.PIGMENT),
          Map.entry("pigment patches", FindingKind.PIGMENT),
          Map.entry("hyperpigmented", FindingKind.PIGMENT),
          Map.entry("neck", FindingKind.MATCH),
          Map.entry("under-eye", FindingKind.UNDER_EYES),
          Map.entry("under the eyes", FindingKind.UNDER_EYES),
          Map.entry("teeth", FindingKind.TEETH),
          Map.entry("oily", FindingKind.SHINE),
          Map.entry("under-exposed", FindingKind.EXPOSURE),
          Map.entry("cast", FindingKind.CAST),
          Map.entry("mixed", FindingKind.CAST),
          Map.entry("backdrop", FindingKind.BACKDROP),
          Map.entry("loose hairs", FindingKind.STRAY_HAIRS),
          Map.entry("veined eyes", FindingKind.SCLERA),
          Map.entry("yellowish eyes", FindingKind.SCLERA));

  /** Kinds that the truth says of each portrait whether they are there. */
  private static final Set<FindingKind> KNOWN =
      EnumSet.of(
          FindingKind.CAST,
          FindingKind.EXPOSURE,
          FindingKind.MATCH,
          FindingKind.REDNESS,
          FindingKind.PIGMENT,
          FindingKind.SHINE,
          FindingKind.UNDER_EYES,
          FindingKind.STRAY_HAIRS);

  /** Hairs from which they are a fault. */
  private static final int FEWEST_HAIRS = 3;

  /** What the evened twin has no longer. */
  private static final Set<FindingKind> EVENED =
      EnumSet.of(
          FindingKind.REDNESS,
          FindingKind.PIGMENT,
          FindingKind.UNDER_EYES,
          FindingKind.MATCH,
          FindingKind.BLEMISHES);

  private PlanTruth() {}

  /**
   * @param portraits folders with a folder for each portrait
   * @param report file whose text between the marks is replaced
   */
  static void run(List<Path> portraits, Path report) throws IOException, Problem {
    List<String> lines = new ArrayList<>();
    lines.add(
        "| | faults found | missed | false | false on `even` | seconds | draft: tone left | blemishes left | texture | gauges out |");
    lines.add("|---|---|---|---|---|---|---|---|---|---|");
    Map<FindingKind, int[]> byKind = new TreeMap<>();
    for (Path family : portraits) {
      for (Path folder : Quality.folders(family)) {
        lines.add("| " + folder.getFileName() + " |" + row(folder, byKind));
      }
    }
    lines.add("");
    lines.add(
        byKind.entrySet().stream()
            .map(e -> "%s %d of %d".formatted(e.getKey().key(), e.getValue()[0], e.getValue()[1]))
            .collect(Collectors.joining(", ", "Found by kind: ", ".")));
    Quality.put(report, "<!-- plan -->\n", lines);
  }

  private static String row(Path folder, Map<FindingKind, int[]> byKind) throws Problem {
    Set<FindingKind> faults = faults(folder);
    Session session = new Session(PictureReader.read(folder.resolve("photo.jpg")));
    Project project =
        session
            .faces()
            .withFace(ProjectFile.start(folder.resolve("photo.jpg")).project(), Cancellation.NONE);
    session.scene(project);
    long begun = System.nanoTime();
    Plan plan = session.planning().plan(project, Cancellation.NONE);
    double seconds = (System.nanoTime() - begun) / 1e9;
    Set<FindingKind> found = kinds(plan);
    for (FindingKind fault : faults) {
      int[] counted = byKind.computeIfAbsent(fault, k -> new int[2]);
      counted[0] += found.contains(fault) ? 1 : 0;
      counted[1]++;
    }
    Set<FindingKind> missed = minus(faults, found);
    Set<FindingKind> wrong = minus(found, faults);
    wrong.retainAll(KNOWN);
    Session evened = new Session(PictureReader.read(folder.resolve("even.jpg")));
    Set<FindingKind> onEven =
        kinds(
            evened
                .planning()
                .plan(
                    ProjectFile.start(folder.resolve("even.jpg"))
                        .project()
                        .withAllFaces(project.allFaces()),
                    Cancellation.NONE));
    onEven.retainAll(EVENED);
    Project drafted = draft(session, project, plan.open());
    // Shine, and what draws the eye, are the same in all pictures of a portrait: they have no
    // truth.
    Project told =
        draft(
            session,
            project,
            plan.open().stream()
                .filter(f -> f.kind() != FindingKind.SHINE && f.kind() != FindingKind.DISTRACTIONS)
                .toList());
    return " %d of %d | %s | %s | %s | %.1f |%s |"
        .formatted(
            faults.size() - missed.size(),
            faults.size(),
            said(missed),
            said(wrong),
            said(onEven),
            seconds,
            drafted(folder, session, project, told, drafted));
  }

  private static Project draft(Session session, Project project, List<Finding> findings) {
    return session.treatments().draft(project, findings, new Guide() {}, Cancellation.NONE);
  }

  private static Set<FindingKind> faults(Path folder) throws Problem {
    JsonNode truth =
        JsonMapper.shared().readTree(PictureReader.bytes(folder.resolve("truth.json")));
    Set<FindingKind> faults = EnumSet.of(FindingKind.BLEMISHES);
    for (JsonNode words : truth.get("global_faults").get("list")) {
      FAULTS.forEach(
          (part, kind) -> {
            if (words.asString().toLowerCase(Locale.ROOT).contains(part)) {
              faults.add(kind);
            }
          });
    }
    long hairs =
        truth
            .get("temporary_blemishes")
            .valueStream()
            .filter(b -> b.path("type").asString("").equals("stray_hair"))
            .count();
    if (hairs >= FEWEST_HAIRS) {
      faults.add(FindingKind.STRAY_HAIRS);
    }
    return faults;
  }

  private static Set<FindingKind> kinds(Plan plan) {
    Set<FindingKind> kinds = EnumSet.noneOf(FindingKind.class);
    plan.open().stream().map(Finding::kind).forEach(kinds::add);
    return kinds;
  }

  private static Set<FindingKind> minus(Set<FindingKind> one, Set<FindingKind> other) {
    Set<FindingKind> rest = EnumSet.copyOf(one);
    rest.removeAll(other);
    return rest;
  }

  private static String said(Set<FindingKind> kinds) {
    return kinds.stream().map(FindingKind::key).collect(Collectors.joining(", "));
  }

  /** What of the low-band difference to the evened twin, and of the blemishes, a draft leaves. */
  private static String drafted(
      Path folder, Session session, Project project, Project told, Project drafted) throws Problem {
    Area whole = session.size().area();
    Picture photo = render(session, project, whole);
    Picture mended = render(session, of(told, Stage.MEND, Stage.MEND), whole);
    Picture done = render(session, of(told, Stage.MEND, Stage.EVEN), whole);
    Picture even = PictureReader.read(folder.resolve("even.jpg")).pixels();
    Picture clean = PictureReader.read(folder.resolve("clean.jpg")).pixels();
    Plane skin = session.faces().region(project, SemanticRegion.FACE_SKIN);
    double sigma = project.faces().faceWidth() / 60;
    Plane blemish = PictureReader.read(folder.resolve("blemish.png")).pixels().first();
    double tone = lowBand(done, even, skin, sigma) / lowBand(photo, even, skin, sigma);
    double spots = spots(mended, clean, blemish) / spots(photo, clean, blemish);
    List<Gauge> gauges = session.readings().gauges(drafted, Cancellation.NONE);
    double texture =
        gauges.stream().filter(g -> g.id().equals("textureKept")).findFirst().orElseThrow().after();
    String out =
        gauges.stream()
            .filter(g -> g.verdict() == Gauge.Verdict.ABOVE || g.verdict() == Gauge.Verdict.BELOW)
            .map(g -> "%s %.2f".formatted(g.id(), g.after()))
            .collect(Collectors.joining(", "));
    return " %.2f | %.2f | %.0f | %s".formatted(tone, spots, texture, out);
  }

  /** With the layers of some stages alone: light and colour as settled have no truth. */
  private static Project of(Project project, Stage from, Stage to) {
    return project.withStack(
        new LayerStack(
            project.stack().layers().stream()
                .filter(
                    l ->
                        l.attributes().stage().compareTo(from) >= 0
                            && l.attributes().stage().compareTo(to) <= 0)
                .toList()));
  }

  private static Picture render(Session session, Project project, Area whole) {
    return session
        .renderer()
        .render(session.scene(project), whole, 0, Readiness.EXACT, Cancellation.NONE);
  }

  private static double lowBand(Picture one, Picture other, Plane skin, double sigma) {
    return difference(
        one.map(p -> GaussianBlur.normalised(p, skin, sigma)),
        other.map(p -> GaussianBlur.normalised(p, skin, sigma)),
        skin);
  }

  /** Of what is broader than noise. */
  private static double spots(Picture one, Picture other, Plane where) {
    return difference(
        one.map(p -> GaussianBlur.blur(p, 2)), other.map(p -> GaussianBlur.blur(p, 2)), where);
  }

  private static double difference(Picture one, Picture other, Plane where) {
    return DeltaE2000.mean(Lab.of(one), Lab.of(other), where);
  }
}
