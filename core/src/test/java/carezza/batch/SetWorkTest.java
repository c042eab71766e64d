package carezza.batch;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.client.DropBox;
import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.Project;
import carezza.model.RecordValue;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.project.RecipeFile;
import carezza.routine.RoutineMaker;
import carezza.set.Answer;
import carezza.set.Member;
import carezza.testing.Pictures;

public class SetWorkTest {

  private static final Layer LIT = RecordValue.with(LayerType.EXPOSURE.fresh(), "stops", 0.5);

  private SetFolder folder;
  private SetWork work;
  private Member member;
  private byte[] photograph;

  @BeforeMethod
  public void makeSet() throws Exception {
    Path place = Files.createTempDirectory("carezza-set-work");
    photograph =
        PictureWriter.encode(
            Pictures.grey(new Area(0, 0, 60, 40), 0.4),
            new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB),
            "a.png");
    Files.write(place.resolve("a.png"), photograph);
    folder = new SetFolder(place);
    work = new SetWork(folder);
    member = folder.open().set().members().getFirst();
  }

  private Project project(Member of) throws Exception {
    return ProjectFile.open(folder.path(of.file())).project();
  }

  /** Copied again it takes the place of what was copied before; the job is the picture's own. */
  @Test
  public void aCopiedLayerLiesOnTheMemberOnceAndAllElseStays() throws Exception {
    Document own = ProjectFile.start(folder.path("a.png"));
    Layer curve = LayerType.CURVE.fresh();
    Project begun =
        own.project()
            .withBrief(own.project().brief().withJob("beauty", own.project().brief().limits()))
            .withStack(own.project().stack().with(curve));
    ProjectFile.save(
        own.with(begun, null),
        carezza.file.AtomicFile.fresh(folder.path("a.carezza")),
        new byte[0]);
    Member first = work.copied(member.with("a.carezza"), LIT, Cancellation.NONE);
    Layer more = RecordValue.with(LIT, "stops", 1.0);
    Member again = work.copied(first, more, Cancellation.NONE);
    Project now = project(again);
    assertThat(now.stack().layers()).containsExactlyInAnyOrder(more, curve);
    assertThat(now.brief().job()).isEqualTo("beauty");
    assertThat(Files.readAllBytes(folder.path("a.png"))).isEqualTo(photograph);
  }

  @Test
  public void whatFollowsOtherLayersOrLiesAtAPlaceIsNotCopied() {
    assertThat(RoutineMaker.alone(LIT)).isEqualTo(LIT);
    Mask like = new Mask.LinkedMask("another");
    assertThat(RoutineMaker.alone(LIT.with(LIT.attributes().withMask(like)))).isNull();
    Mask changed = new Mask.ChangeMask("another", 0.1);
    assertThat(RoutineMaker.alone(LIT.with(LIT.attributes().withMask(changed)))).isNull();
    Mask oval = new Mask.Ellipse(10, 10, 5, 5, 0, 0.5);
    assertThat(RoutineMaker.alone(LIT.with(LIT.attributes().withMask(oval)))).isNull();
    assertThat(RoutineMaker.alone(LayerType.GROUP.fresh())).isNull();
    Layer grouped = LIT.with(LIT.attributes().inGroup("g"));
    assertThat(RoutineMaker.alone(grouped)).isEqualTo(LIT);
  }

  @Test
  public void whatIsSentLiesInTheBoxUnderItsPhotograph() throws Exception {
    DropBox box = new DropBox(folder.folder().resolve("box"));
    Member sent = work.sent(member, 1, RecipeFile.shipped("web-and-print"), box, Cancellation.NONE);
    assertThat(sent.state()).isEqualTo(Member.State.DELIVERED);
    assertThat(box.answers())
        .hasSize(2)
        .allMatch(a -> a.photograph().equals("a.png") && a.kind() == Answer.Kind.SENT);
  }
}
