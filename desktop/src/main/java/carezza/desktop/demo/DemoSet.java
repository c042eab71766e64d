package carezza.desktop.demo;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

import carezza.batch.SetFolder;
import carezza.batch.SetLooks;
import carezza.file.AtomicFile;
import carezza.file.Reason;
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

  /** Resources, and what the pictures are called. */
  private static final Map<String, String> PHOTOGRAPHS = new LinkedHashMap<>();

  static {
    PHOTOGRAPHS.put("ferry-pilot", "The Ferry Pilot");
    PHOTOGRAPHS.put("cellist", "The Cellist");
    PHOTOGRAPHS.put("prompter", "The Prompter");
    PHOTOGRAPHS.put("understudy", "The Understudy");
    PHOTOGRAPHS.put("lighthouse-keeper", "The Lighthouse Keeper");
    PHOTOGRAPHS.put("apothecary", "The Apothecary");
  }

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
    for (Map.Entry<String, String> each : PHOTOGRAPHS.entrySet()) {
      byte[] bytes = Demo.bytes(each.getKey() + ".jpg");
      String name = each.getValue() + ".jpg";
      AtomicFile.replacing(folder.resolve(name)).write(out -> out.write(bytes));
      members.add(member(folder, each.getKey(), Member.fresh(name)));
    }
    simulated(folder.resolve("drop-box"));
    set.keep(new PictureSet(NAME, PHOTOGRAPHS.get("understudy") + ".jpg", members));
    return folder;
  }

  /** The drop-box of the demo, in which a stand-in for the client answers. */
  private static void simulated(Path box) throws Problem {
    try {
      Files.createDirectories(box);
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, box, Reason.of(e));
    }
    byte[] words = "A simulated client answers here.\n".getBytes(StandardCharsets.UTF_8);
    AtomicFile.replacing(box.resolve("simulated-client.txt")).write(out -> out.write(words));
  }

  private static Member member(Path folder, String id, Member member) throws Problem {
    return switch (id) {
      case "understudy" ->
          member
              .with(saved(folder, member, Demo.understudy()))
              .in(State.DELIVERED)
              .taking(14)
              .noted("The card that the others are to look like.");
      case "cellist" ->
          member.with(saved(folder, member, Demo.cellist())).in(State.FINISHED).taking(11);
      case "lighthouse-keeper" -> member.in(State.PLANNED).taking(16);
      // Half a stop under and yellow-green: out of line on purpose.
      case "prompter" -> member.noted("The lamp on the left was another one.");
      default -> member;
    };
  }

  private static String saved(Path folder, Member member, Document document) throws Problem {
    String name = member.title() + ProjectFile.ENDING;
    // Rendering it would keep the hand waiting; its look follows.
    byte[] preview =
        new Session(document.photograph()).store().asShot(document.project(), SetLooks.THUMBNAIL);
    ProjectFile.save(document, AtomicFile.replacing(folder.resolve(name)), preview);
    return name;
  }
}
