package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.atomic.AtomicInteger;

import org.testng.annotations.Test;

import carezza.problem.Problem;

/** What is said, and what is under way. */
public class StatusTest {

  @Test
  public void theWorkBegunLastIsShownAndThenTheOneBefore() {
    Status status = new Status();
    Status.Job first = status.begin("One", null);
    Status.Job second = status.begin("Two", () -> {});
    assertThat(status.jobProperty().get()).isSameAs(second);
    second.end();
    second.end();
    assertThat(status.jobProperty().get()).isSameAs(first);
    first.end();
    assertThat(status.jobProperty().get()).isNull();
  }

  @Test
  public void onlyWorkThatCanBeGivenUpIsStopped() {
    Status status = new Status();
    AtomicInteger stopped = new AtomicInteger();
    Status.Job saving = status.begin("Saving", null);
    assertThat(status.stop()).isFalse();
    status.begin("Looking", stopped::incrementAndGet);
    status.begin("Saving, too", null);
    assertThat(status.stop()).isTrue();
    assertThat(stopped.get()).isEqualTo(1);
    assertThat(status.stop()).isFalse();
    assertThat(saving.stoppable()).isFalse();
    Status.Job unasked = status.beginUnasked("Looking for the face", stopped::incrementAndGet);
    assertThat(status.stop()).isFalse();
    status.stop(unasked);
    assertThat(stopped.get()).isEqualTo(2);
  }

  @Test
  public void aProblemIsSaidInItsOwnSentence() {
    Status status = new Status();
    Problem problem = new Problem(new RuntimeException(), Problem.Kind.MEMORY_SPENT);
    status.fail(problem);
    assertThat(status.messageProperty().get()).isEqualTo(problem.getMessage());
    status.fail(new IllegalStateException("what nobody should read"));
    assertThat(status.messageProperty().get()).isNotBlank().doesNotContain("nobody should read");
  }
}
