package carezza.batch;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

import carezza.codec.PictureReader;
import carezza.file.AtomicFile;
import carezza.file.Originals;
import carezza.file.Reason;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.ProjectFile;
import carezza.project.SetFile;
import carezza.set.Member;
import carezza.set.PictureSet;

/**
 * A set in its folder. Photographs are only ever read; what is known of them is written to one file
 * beside them.
 */
public final class SetFolder {

  private static final Set<String> PHOTOGRAPHS =
      Set.of(
          "jpg", "jpeg", "png", "tif", "tiff", "webp", "dng", "cr2", "cr3", "nef", "arw", "raf",
          "orf", "rw2", "pef");

  private final Path folder;

  public SetFolder(Path folder) {
    this.folder = folder.toAbsolutePath().normalize();
  }

  public Path folder() {
    return folder;
  }

  /** Where the set is kept. */
  public Path file() {
    return folder.resolve(folder.getFileName() + SetFile.ENDING);
  }

  /**
   * A set as it lies in its folder now.
   *
   * @param missing photographs that are gone, and not found under another name
   */
  public record Contents(PictureSet set, List<String> missing) {}

  /**
   * The set as it was kept, with what came since at its end and what was renamed found again by its
   * content; a new one where none was kept.
   */
  public Contents open() throws Problem {
    PictureSet known =
        Files.exists(file())
            ? SetFile.read(file())
            : new PictureSet(folder.getFileName().toString(), null, List.of());
    return scanned(known);
  }

  /** A set that is known, as it lies in its folder now. */
  public Contents scanned(PictureSet known) throws Problem {
    Set<String> photographs = new TreeSet<>();
    Map<String, String> projects = new HashMap<>();
    for (String name : names()) {
      if (name.endsWith(ProjectFile.ENDING)) {
        projects.put(stem(name), name);
      } else if (PHOTOGRAPHS.contains(ending(name))) {
        photographs.add(name);
      }
    }
    List<Member> members = new ArrayList<>();
    List<String> missing = new ArrayList<>();
    Set<String> fresh = new TreeSet<>(photographs);
    known.members().forEach(m -> fresh.remove(m.photograph()));
    for (Member member : known.members()) {
      Member found = member;
      if (!Files.isRegularFile(path(member.photograph()))) {
        Optional<String> moved = fresh.stream().filter(n -> isSame(member, n)).findFirst();
        if (moved.isEmpty()) {
          missing.add(member.photograph());
        } else {
          fresh.remove(moved.get());
          found = member.moved(moved.get());
        }
      }
      members.add(found);
    }
    fresh.forEach(name -> members.add(Member.fresh(name)));
    for (int i = 0; i < members.size(); i++) {
      members.set(i, withProject(members.get(i), projects));
    }
    // Projects that hold their photograph within them are members by themselves.
    Set<String> alone = new HashSet<>(projects.values());
    members.forEach(m -> alone.remove(m.project()));
    members.forEach(m -> alone.remove(m.photograph()));
    alone.stream().sorted().forEach(name -> members.add(Member.fresh(name).with(name)));
    return new Contents(known.with(members), List.copyOf(missing));
  }

  private Member withProject(Member member, Map<String, String> projects) {
    String own = member.project();
    if (own != null && Files.isRegularFile(path(own))) {
      return member;
    }
    String beside = projects.get(stem(member.photograph()));
    if (beside != null) {
      return member.with(beside);
    }
    return own == null
        ? member
        : new Member(
            member.photograph(),
            null,
            member.sha256(),
            member.bytes(),
            Member.State.AS_SHOT,
            member.minutes(),
            member.notes());
  }

  private boolean isSame(Member member, String name) {
    try {
      Path file = path(name);
      return member.sha256() != null
          && Files.size(file) == member.bytes()
          && Originals.sha256(Files.readAllBytes(file)).equals(member.sha256());
    } catch (IOException e) {
      return false;
    }
  }

  private List<String> names() throws Problem {
    try (Stream<Path> files = Files.list(folder)) {
      return files
          .filter(Files::isRegularFile)
          .map(f -> f.getFileName().toString())
          .filter(n -> !n.startsWith("."))
          .sorted()
          .toList();
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_UNREADABLE, folder, Reason.of(e));
    }
  }

  /** A member's file. */
  public Path path(String relative) {
    return folder.resolve(relative);
  }

  /** The member with its photograph's fingerprint, by which it is found again when it moved. */
  public Member known(Member member) throws Problem {
    if (member.sha256() != null) {
      return member;
    }
    byte[] bytes = PictureReader.bytes(path(member.photograph()));
    return member.known(Originals.sha256(bytes), bytes.length);
  }

  public void keep(PictureSet set) throws Problem {
    AtomicFile.replacing(file()).write(out -> out.write(SetFile.text(set)));
  }

  /** Whether a folder, or file, holds a set; the root of a disk is none. */
  public static Optional<Path> of(Path given) {
    if (given.toAbsolutePath().normalize().getFileName() == null) {
      return Optional.empty();
    }
    return Files.isDirectory(given)
        ? Optional.of(given)
        : PictureReader.name(given).endsWith(SetFile.ENDING)
            ? Optional.ofNullable(given.toAbsolutePath().getParent())
            : Optional.empty();
  }

  private static String stem(String name) {
    int dot = name.lastIndexOf('.');
    return dot > 0 ? name.substring(0, dot) : name;
  }

  private static String ending(String name) {
    return name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
  }
}
