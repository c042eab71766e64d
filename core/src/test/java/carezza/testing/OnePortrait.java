package carezza.testing;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;

import org.testng.IDataProviderInterceptor;
import org.testng.IDataProviderMethod;
import org.testng.ITestContext;
import org.testng.ITestNGMethod;

/**
 * Lets a test that is asked of each portrait be asked of one alone, another for each test, unless
 * tests are to be {@link Thorough}.
 */
public final class OnePortrait implements IDataProviderInterceptor {

  @Override
  public Iterator<Object[]> intercept(
      Iterator<Object[]> rows,
      IDataProviderMethod provider,
      ITestNGMethod method,
      ITestContext context) {
    if (Thorough.ASKED) {
      return rows;
    }
    Portrait[] portraits = Portrait.values();
    int turn = Math.floorMod(method.getQualifiedName().hashCode(), portraits.length);
    List<Object[]> kept = new ArrayList<>();
    List<Object[]> others = new ArrayList<>();
    rows.forEachRemaining(
        row -> (isOf(portraits[turn], row) || !hasPortrait(row) ? kept : others).add(row));
    if (kept.isEmpty() && !others.isEmpty()) {
      kept.add(others.get(turn % others.size()));
    }
    return kept.iterator();
  }

  private static boolean hasPortrait(Object[] row) {
    for (Object each : row) {
      if (each instanceof Portrait) {
        return true;
      }
    }
    return false;
  }

  private static boolean isOf(Portrait portrait, Object[] row) {
    for (Object each : row) {
      if (each == portrait) {
        return true;
      }
    }
    return false;
  }
}
