package carezza.benchmarks;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;

import carezza.codec.PressProfile;

/**
 * Runs a measurement: {@code jmh [pattern …]}, {@code memory}, {@code strokes}, {@code pushes},
 * {@code sliders}, {@code masks}, {@code colours [KIND …]}, {@code finish}, {@code set FOLDER};
 * {@code routine NAME PHOTO …} holds a shipped routine against the same with its values fixed;
 * {@code quality PORTRAITS FILE.md} compares what is found with the painted truth; {@code regions
 * PORTRAITS … FILE.md} compares regions and draws them; {@code plan PORTRAITS … FILE.md} compares
 * findings and drafts; {@code noise CLEAN.jpg} calms known noise beside OpenCV; {@code detection
 * PORTRAITS} fits the weights by which blemishes are told; {@code files FOLDER [REPORT.md]} reads a
 * folder of other people's files beside an independent reader; {@code fuzz SECONDS FOLDER} fuzzes
 * the readers (with the profile {@code fuzz}); {@code press-profile FILE} makes the CMYK profile
 * anew.
 */
public final class Main {

  private Main() {}

  public static void main(String[] arguments) throws Exception {
    String what = arguments.length == 0 ? "" : arguments[0];
    String[] rest =
        arguments.length == 0 ? arguments : Arrays.copyOfRange(arguments, 1, arguments.length);
    switch (what) {
      case "jmh" -> org.openjdk.jmh.Main.main(rest);
      case "memory" -> MemoryProof.run();
      case "memory-of" -> MemoryProof.of(Integer.parseInt(rest[0]));
      case "strokes" -> Interaction.strokes();
      case "pushes" -> Interaction.pushes();
      case "sliders" -> Interaction.sliders();
      case "masks" -> Interaction.masks();
      case "colours" -> Interaction.colours(List.of(rest));
      case "finish" -> FinishCost.run();
      case "set" -> SetWindow.run(Path.of(rest[0]));
      case "routine" ->
          RoutineCost.run(rest[0], Arrays.stream(rest).skip(1).map(Path::of).toList());
      case "quality" -> Quality.run(Path.of(rest[0]), Path.of(rest[1]));
      case "plan" ->
          PlanTruth.run(
              Arrays.stream(rest).limit(rest.length - 1).map(Path::of).toList(),
              Path.of(rest[rest.length - 1]));
      case "regions" ->
          RegionTruth.run(
              Arrays.stream(rest).limit(rest.length - 1).map(Path::of).toList(),
              Path.of(rest[rest.length - 1]),
              Files.createDirectories(
                  Path.of(System.getProperty("carezza.sheet", "target/regions"))));
      case "noise" -> NoiseQuality.run(Path.of(rest[0]));
      case "detection" -> DetectionFit.run(Arrays.stream(rest).map(Path::of).toList());
      case "files" -> ForeignFiles.main(rest);
      case "fuzz" -> Fuzzing.run(rest);
      case "press-profile" -> Files.write(Path.of(rest[0]), PressProfile.make());
      default -> {
        System.err.println(
            "Say what to measure: jmh [pattern …], memory, strokes, pushes, sliders, masks, colours, finish, set, routine, quality, plan, regions, noise, detection, files, fuzz, or press-profile.");
        System.exit(2);
      }
    }
  }
}
