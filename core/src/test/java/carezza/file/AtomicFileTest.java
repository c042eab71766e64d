package carezza.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.problem.Problem;
import carezza.problem.Problem.Kind;

public class AtomicFileTest {

  private Path folder;

  @BeforeMethod
  public void make() throws IOException {
    folder = Files.createTempDirectory("carezza-files");
  }

  @AfterMethod(alwaysRun = true)
  public void tidy() throws IOException {
    try (var files = Files.walk(folder)) {
      for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  private Path holding(String name, String words) throws IOException {
    return Files.writeString(folder.resolve(name), words);
  }

  private static void write(AtomicFile file, String words) throws Problem {
    file.write(out -> out.write(words.getBytes(StandardCharsets.UTF_8)));
  }

  private static void assertRefused(AtomicFile file, Kind kind) {
    assertThatThrownBy(() -> write(file, "new"))
        .isInstanceOfSatisfying(
            Problem.class,
            p -> {
              assertThat(p.kind()).isEqualTo(kind);
              assertThat(p.getMessage()).endsWith(".").doesNotContain("Exception");
            });
  }

  @Test
  public void anOriginalIsNeverWrittenTo() throws Exception {
    Path photo = holding("photo.jpg", "light");
    Originals.protect(photo);
    assertRefused(AtomicFile.replacing(photo), Kind.FILE_IS_ORIGINAL);
    assertRefused(
        AtomicFile.replacing(folder.resolve("../" + folder.getFileName() + "/photo.jpg")),
        Kind.FILE_IS_ORIGINAL);
    assertThat(Files.readString(photo)).isEqualTo("light");
  }

  @Test
  public void noLinkLeadsToAnOriginal() throws Exception {
    Path photo = holding("photo.jpg", "light");
    Originals.protect(photo);
    Path soft = Files.createSymbolicLink(folder.resolve("soft.jpg"), photo);
    Path hard = Files.createLink(folder.resolve("hard.jpg"), photo);
    Path chain = Files.createSymbolicLink(folder.resolve("chain.jpg"), soft);
    for (Path way : new Path[] {soft, hard, chain}) {
      assertRefused(AtomicFile.replacing(way), Kind.FILE_IS_ORIGINAL);
    }
    assertThat(Files.readString(photo)).isEqualTo("light");
  }

  @Test
  public void anOriginalReadThroughALinkIsTheFileItself() throws Exception {
    Path photo = holding("photo.jpg", "light");
    Originals.protect(Files.createSymbolicLink(folder.resolve("soft.jpg"), photo));
    assertRefused(AtomicFile.replacing(photo), Kind.FILE_IS_ORIGINAL);
  }

  @Test
  public void aNameThatAnOriginalHadIsFreeOnceItIsGone() throws Exception {
    Path photo = holding("photo.jpg", "light");
    Originals.protect(photo);
    Files.delete(photo);
    write(AtomicFile.fresh(photo), "other");
    assertThat(Files.readString(photo)).isEqualTo("other");
  }

  @Test
  public void whatIsThereIsReplacedOnlyOnPurpose() throws Exception {
    Path file = holding("kept.txt", "before");
    assertRefused(AtomicFile.fresh(file), Kind.FILE_EXISTS);
    assertThat(Files.readString(file)).isEqualTo("before");
    write(AtomicFile.replacing(file), "after");
    assertThat(Files.readString(file)).isEqualTo("after");
  }

  @Test
  public void whatComesWhileAFreshFileIsWrittenIsNotReplaced() throws Exception {
    Path file = folder.resolve("raced.txt");
    assertThatThrownBy(
            () ->
                AtomicFile.fresh(file)
                    .write(
                        out -> {
                          out.write(1);
                          Files.writeString(file, "another's");
                        }))
        .isInstanceOfSatisfying(
            Problem.class, p -> assertThat(p.kind()).isEqualTo(Kind.FILE_EXISTS));
    assertThat(Files.readString(file)).isEqualTo("another's");
    try (var left = Files.list(folder)) {
      assertThat(left).hasSize(1);
    }
  }

  @Test
  public void rightsOfAReplacedFileStay() throws Exception {
    Path file = holding("shared.txt", "before");
    Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-rw-r--"));
    write(AtomicFile.replacing(file).ownerOnly(), "after");
    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
        .isEqualTo("rw-rw-r--");
  }

  @Test
  public void aNewPrivateFileIsItsOwnersAlone() throws Exception {
    Path file = folder.resolve("private.txt");
    write(AtomicFile.fresh(file).ownerOnly(), "own");
    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
        .isEqualTo("rw-------");
  }

  @Test
  public void aLinkIsWrittenThrough() throws Exception {
    Path target = holding("target.txt", "before");
    Path link = Files.createSymbolicLink(folder.resolve("link.txt"), Path.of("target.txt"));
    write(AtomicFile.replacing(link), "after");
    assertThat(link).isSymbolicLink();
    assertThat(Files.readString(target)).isEqualTo("after");
  }

  @Test
  public void aFailedWriteLeavesWhatWasThere() throws Exception {
    Path file = holding("kept.txt", "before");
    assertThatThrownBy(
            () ->
                AtomicFile.replacing(file)
                    .write(
                        out -> {
                          out.write(1);
                          throw new IOException("disk full");
                        }))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("disk full");
    assertThat(Files.readString(file)).isEqualTo("before");
    try (var left = Files.list(folder)) {
      assertThat(left).hasSize(1);
    }
  }

  @Test
  public void partsOfDeadRunsAreSweptAndThoseOfLivingOnesAreNot() throws Exception {
    Path dead = holding("x.1.carezza-part", "half");
    Path living = holding("y.2.carezza-part", "half");
    Path strangers = holding("z.part", "somebody else's");
    try (FileChannel held = FileChannel.open(living, StandardOpenOption.WRITE);
        var lock = held.lock()) {
      assertThat(lock.isValid()).isTrue();
      write(AtomicFile.fresh(folder.resolve("new.txt")), "new");
    }
    assertThat(dead).doesNotExist();
    assertThat(living).exists();
    assertThat(strangers).exists();
  }

  @Test
  public void aFolderThatIsNotThereIsSaid() {
    assertThatThrownBy(() -> write(AtomicFile.fresh(folder.resolve("no/such/x.txt")), "x"))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("folder does not exist");
  }

  @Test
  public void theRootIsNoFile() {
    assertThatThrownBy(() -> write(AtomicFile.replacing(Path.of("/")), "x"))
        .isInstanceOf(Problem.class)
        .hasMessageEndingWith(".");
  }

  /** The first files of a folder, written side by side: none sweeps another's part away. */
  @Test
  public void filesWrittenSideBySideInAFreshFolderAreAllThere() throws Exception {
    for (int round = 0; round < 200; round++) {
      Path fresh = Files.createDirectory(folder.resolve("round" + round));
      CyclicBarrier together = new CyclicBarrier(3);
      try (ExecutorService pool = Executors.newFixedThreadPool(3)) {
        List<Future<?>> all = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
          Path file = fresh.resolve("file" + i);
          all.add(
              pool.submit(
                  () -> {
                    together.await();
                    AtomicFile.fresh(file).write(out -> out.write(new byte[10]));
                    return null;
                  }));
        }
        for (Future<?> one : all) {
          one.get();
        }
      }
      try (var files = Files.list(fresh)) {
        assertThat(files).hasSize(3);
      }
    }
  }
}
