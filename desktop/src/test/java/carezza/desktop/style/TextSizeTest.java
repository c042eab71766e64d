package carezza.desktop.style;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;

public class TextSizeTest {

  @AfterMethod
  public void putBack() {
    TextSize.choose("100");
  }

  @Test
  public void onlyTheSizesThatThereAreAreTaken() {
    TextSize.choose("150");
    assertThat(TextSize.percent()).isEqualTo(150);
    for (String other : new String[] {"", "400", "large"}) {
      TextSize.choose(other);
      assertThat(TextSize.percent()).as(other).isEqualTo(100);
    }
  }

  @Test
  public void theSizesComeInTurn() {
    assertThat(TextSize.next()).isEqualTo(125);
    TextSize.choose("125");
    assertThat(TextSize.next()).isEqualTo(150);
    TextSize.choose("150");
    assertThat(TextSize.next()).isEqualTo(100);
  }

  @Test
  public void rulesThatSayASizeAreSaidAgainWithItGrown() {
    TextSize.choose("150");
    String css =
        """
        /* .none { -fx-font-size: 9px; } */
        .a, .b > .c { -fx-padding: 4px; -fx-font-size: 12px; }
        .d { -fx-padding: 3px; }
        .e { -fx-font-size: 11px; -fx-opacity: 0.8; }
        """;
    assertThat(TextSize.larger(css).lines())
        .containsExactly(".a, .b > .c { -fx-font-size: 18.0px; }", ".e { -fx-font-size: 16.5px; }");
    assertThat(TextSize.px(300)).isEqualTo(450);
  }
}
