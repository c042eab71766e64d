package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.demo.Demo;
import carezza.desktop.task.TaskRunner;
import carezza.kernel.LayerType;
import carezza.measure.Blemish;
import carezza.model.HealLayer;
import carezza.model.LayerStack;
import carezza.project.Document;
import carezza.session.Session;

/** The walk through what is proposed on a portrait, without a window. */
public class ProposalStateTest {

  private Document portrait;
  private Session session;
  private AppState state;
  private ProposalState proposals;

  @BeforeMethod
  public void open() throws Exception {
    if (portrait == null) {
      Document demo = Demo.understudy();
      session = new Session(demo.photograph());
      HealLayer heal = (HealLayer) LayerType.HEAL.fresh();
      portrait =
          demo.with(
              demo.project().withStack(LayerStack.of(heal.with(heal.attributes().withId("heal")))),
              null);
    }
    state = AppState.with(TaskRunner.inPlace());
    proposals = state.proposals();
    state.document().open(portrait, session);
    state.selection().select("heal");
    proposals.look();
  }

  private int undecided() {
    return proposals.allProperty().get().size();
  }

  private int healed() {
    return ((HealLayer) state.document().stack().find("heal").orElseThrow()).patches().size();
  }

  @Test
  public void theWalkComesByEachAndBeginsAnew() {
    assertThat(undecided()).isGreaterThan(5);
    proposals.next();
    Blemish first = proposals.currentProperty().get();
    for (int i = 0; i < undecided(); i++) {
      proposals.next();
    }
    assertThat(proposals.currentProperty().get()).isEqualTo(first);
  }

  @Test
  public void acceptingHealsItAndGoesOn() {
    int before = undecided();
    proposals.next();
    Blemish first = proposals.currentProperty().get();
    proposals.accept();
    assertThat(healed()).isEqualTo(1);
    assertThat(undecided()).isEqualTo(before - 1);
    assertThat(proposals.currentProperty().get()).isNotNull().isNotEqualTo(first);
  }

  @Test
  public void keepingIsRememberedAndNotProposedAgain() {
    int before = undecided();
    proposals.next();
    proposals.keep();
    assertThat(state.document().project().kept()).hasSize(1);
    assertThat(healed()).isZero();
    proposals.look();
    assertThat(undecided()).isEqualTo(before - 1);
  }

  @Test
  public void allThatPassAreHealedInOneStepAndMarksAreLeft() {
    int steps = state.document().steps();
    long passing =
        proposals.allProperty().get().stream()
            .filter(b -> b.kind() == Blemish.Kind.TEMPORARY)
            .count();
    proposals.acceptAll();
    assertThat(healed()).isEqualTo((int) passing);
    assertThat(state.document().steps()).isEqualTo(steps + 1);
    assertThat(proposals.allProperty().get()).allMatch(b -> b.kind() != Blemish.Kind.TEMPORARY);
  }

  @Test
  public void nothingIsDecidedWhereNothingCanBeMended() {
    proposals.next();
    state.selection().select(null);
    proposals.next();
    proposals.accept();
    proposals.keep();
    assertThat(healed()).isZero();
    assertThat(state.document().project().kept()).isEmpty();
  }

  @Test
  public void onlySizesThatAreAskedForAreProposed() {
    double middle =
        proposals.allProperty().get().stream().mapToDouble(Blemish::radius).average().orElse(0);
    proposals.largestProperty().set(middle);
    proposals.lookAgain();
    assertThat(proposals.allProperty().get()).isNotEmpty().allMatch(b -> b.radius() <= middle);
  }

  @Test
  public void anotherDocumentHasNoProposals() {
    state.document().open(Documents.with(LayerType.HEAL));
    assertThat(undecided()).isZero();
    proposals.look();
    assertThat(state.status().messageProperty().get()).isNotBlank();
  }
}
