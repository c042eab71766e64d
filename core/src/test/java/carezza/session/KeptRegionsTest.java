package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.mask.Regions;
import carezza.mask.RegionsFile;
import carezza.model.FaceMap;
import carezza.model.SemanticRegion;
import carezza.testing.Portrait;

/** Regions that outlast the program. */
public class KeptRegionsTest {

  private static final long PLENTY = 1L << 30;
  private static final int PATIENCE_MILLIS = 30_000;

  private Path folder;
  private Regions found;
  private List<FaceMap> faces;
  private int asked;
  private final List<KeptFiles> opened = new ArrayList<>();

  @BeforeMethod
  public void find() throws IOException {
    folder = Files.createTempDirectory("carezza-known").resolve("known");
    found = Portrait.S03.found();
    faces = found.maps();
    asked = 0;
  }

  @AfterMethod(alwaysRun = true)
  public void tidy() throws IOException {
    found = null;
    opened.forEach(KeptFiles::close);
    opened.clear();
    try (Stream<Path> files = Files.walk(folder.getParent())) {
      for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(file);
      }
    }
  }

  /** As a program started anew would ask. */
  private Regions ask(String content, List<FaceMap> of, long mostBytes) {
    KeptFiles files = new KeptFiles(folder, 0, mostBytes);
    opened.add(files);
    return new KeptRegions(files, content)
        .of(
            of,
            () -> {
              asked++;
              return found;
            });
  }

  private List<Path> kept() throws IOException {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> files = Files.list(folder)) {
      return files.filter(f -> f.toString().endsWith(".known")).toList();
    }
  }

  private void awaitKept(int count) throws Exception {
    long end = System.currentTimeMillis() + PATIENCE_MILLIS;
    while (kept().size() != count && System.currentTimeMillis() < end) {
      Thread.sleep(10);
    }
    assertThat(kept()).hasSize(count);
  }

  @Test
  public void areTheSameWhenTheyAreAskedForAgain() throws Exception {
    ask("a", faces, PLENTY);
    awaitKept(1);
    Regions again = ask("a", faces, PLENTY);
    assertThat(asked).isEqualTo(1);
    assertThat(again.maps()).isEqualTo(faces);
    Area part = new Area(350, 250, 500, 700);
    for (SemanticRegion region : SemanticRegion.values()) {
      assertThat(again.coverage(region, part, 0).values())
          .as(region.name())
          .isEqualTo(found.coverage(region, part, 0).values());
    }
  }

  @Test
  public void areFoundAnewForAnotherPhotographAndAnotherFace() throws Exception {
    ask("a", faces, PLENTY);
    awaitKept(1);
    ask("b", faces, PLENTY);
    assertThat(asked).isEqualTo(2);
    ask("a", List.of(Portrait.S03.faces()), PLENTY);
    assertThat(asked).isEqualTo(3);
  }

  @Test
  public void areFoundAnewWhereTheFileIsDamaged() throws Exception {
    ask("a", faces, PLENTY);
    awaitKept(1);
    byte[] whole = Files.readAllBytes(kept().getFirst());
    for (int length : new int[] {0, 3, 20, whole.length / 2, whole.length - 1}) {
      Files.write(kept().getFirst(), Arrays.copyOf(whole, length));
      int before = asked;
      assertThat(ask("a", faces, PLENTY)).isSameAs(found);
      assertThat(asked).as("cut to " + length).isEqualTo(before + 1);
      awaitWhole(whole.length);
    }
  }

  private void awaitWhole(int length) throws Exception {
    long end = System.currentTimeMillis() + PATIENCE_MILLIS;
    while (Files.size(kept().getFirst()) != length && System.currentTimeMillis() < end) {
      Thread.sleep(10);
    }
    assertThat(Files.size(kept().getFirst())).isEqualTo(length);
  }

  @Test
  public void thoseThatWereNotAskedForLongestMakeRoom() throws Exception {
    ask("a", faces, PLENTY);
    awaitKept(1);
    Path first = kept().getFirst();
    ask("b", faces, Files.size(first) + 10);
    long end = System.currentTimeMillis() + PATIENCE_MILLIS;
    while (Files.exists(first) && System.currentTimeMillis() < end) {
      Thread.sleep(10);
    }
    assertThat(Files.exists(first)).isFalse();
    assertThat(kept()).hasSize(1);
  }

  @Test
  public void numbersThatCannotBeAreRefused() throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    RegionsFile.write(found, new DataOutputStream(out));
    byte[] bytes = out.toByteArray();
    // The width of the first area, behind level, count, name and place.
    int width = 4 + 4 + 2 + SemanticRegion.FACE_SKIN.name().length() + 8;
    bytes[width] = 0x7F;
    assertThatThrownBy(
            () -> RegionsFile.read(new DataInputStream(new ByteArrayInputStream(bytes)), faces))
        .isInstanceOf(IOException.class);
  }
}
