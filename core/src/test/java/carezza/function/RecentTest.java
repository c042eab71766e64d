package carezza.function;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;

import org.testng.annotations.Test;

public class RecentTest {

  @Test
  public void whatWasNotAskedForLongestIsForgottenFirst() {
    Recent<String, Integer> recent = new Recent<>(2);
    List<String> made = new ArrayList<>();
    for (String key : List.of("a", "b", "a", "c", "a", "b")) {
      assertThat(
              recent.of(
                  key,
                  () -> {
                    made.add(key);
                    return key.charAt(0) - 'a';
                  }))
          .isEqualTo(key.charAt(0) - 'a');
    }
    assertThat(made).containsExactly("a", "b", "c", "b");
    recent.clear();
    recent.of("a", () -> made.size());
    assertThat(recent.of("a", () -> -1)).isEqualTo(4);
  }
}
