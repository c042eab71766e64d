package carezza.image;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;

import org.testng.annotations.Test;

public class ParallelRowsTest {

  private static final int WIDE = 4096;
  private static final int HIGH = 512;

  @Test
  public void everyRowIsWorkedOnOnce() {
    AtomicInteger rows = new AtomicInteger();
    ParallelRows.each(WIDE, HIGH, (from, to) -> rows.addAndGet(to - from));
    assertThat(rows.get()).isEqualTo(HIGH);
  }

  @Test
  public void workThatIsCancelledEndsBeforeItsLastRow() {
    AtomicBoolean stopped = new AtomicBoolean();
    AtomicInteger rows = new AtomicInteger();
    assertThatThrownBy(
            () ->
                ParallelRows.until(
                    stopped::get,
                    () -> {
                      ParallelRows.each(
                          WIDE,
                          HIGH,
                          (from, to) -> {
                            stopped.set(true);
                            rows.addAndGet(to - from);
                          });
                      return null;
                    }))
        .isInstanceOf(CancellationException.class);
    assertThat(rows.get()).isLessThan(HIGH);
  }

  @Test
  public void workCancelledBeforehandDoesNotBegin() {
    AtomicInteger rows = new AtomicInteger();
    assertThatThrownBy(
            () ->
                ParallelRows.until(
                    () -> true,
                    () -> {
                      ParallelRows.each(3, 3, (from, to) -> rows.addAndGet(to - from));
                      return null;
                    }))
        .isInstanceOf(CancellationException.class);
    assertThat(rows.get()).isZero();
  }
}
