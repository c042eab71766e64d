package carezza.desktop.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

import carezza.batch.SetFolder;
import carezza.file.AtomicFile;
import carezza.file.Reason;
import carezza.image.Cancellation;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Session;
import carezza.set.Member;
import carezza.set.Member.State;
import carezza.set.PictureSet;

/** The season as a folder that can be worked in: all pictures that ship, in different states. */
public final class DemoSet {

  /** What the season is called. */
  public static final String NAME = "Autumn cards";

  private static final List<String> PHOTOGRAPHS =
      List.of(
          "ferry-pilot", "cellist", "prompter", "understudy", "lighthouse-keeper", "apothecary");

  private DemoSet() {}

  /**
   * The folder, written where it is not there yet; what was done in it before stays.
   *
   * @param home that it lies in
   */
  public static Path folder(Path home) throws Problem {
    Path folder = home.resolve("demo").resolve(NAME);
    SetFolder set = new SetFolder(folder);
    if (Files.exists(set.file())) {
      return folder;
    }
    try {
      Files.createDirectories(folder);
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, folder, Reason.of(e));
    }
    List<Member> members = new ArrayList<>();
    for (String id : PHOTOGRAPHS) {
      byte[] bytes = Demo.bytes(id + ".jpg");
      AtomicFile.replacing(folder.resolve(id + ".jpg")).write(out -> out.write(bytes));
      members.add(member(folder, id));
    }
    set.keep(new PictureSet(NAME, "understudy.jpg", members));
    return folder;
  }

  private static Member member(Path folder, String id) throws Problem {
    Member member = Member.fresh(id + ".jpg");
    return switch (id) {
      case "understudy" ->
          member
              .with(saved(folder, id, Demo.understudy()))
              .in(State.DELIVERED)
              .taking(14)
              .noted("The card that the others are to look like.");
      case "cellist" ->
          member.with(saved(folder, id, Demo.cellist())).in(State.FINISHED).taking(11);
      case "lighthouse-keeper" -> member.in(State.PLANNED).taking(16);
      // Half a stop under and yellow-green: out of line on purpose.
      case "prompter" -> member.noted("The lamp on the left was another one.");
      default -> member;
    };
  }

  private static String saved(Path folder, String id, Document document) throws Problem {
    String name = id + ProjectFile.ENDING;
    new Session(document.photograph())
        .store()
        .save(document, AtomicFile.replacing(folder.resolve(name)), Cancellation.NONE);
    return name;
  }
}
