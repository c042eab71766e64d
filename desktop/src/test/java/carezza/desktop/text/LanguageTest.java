package carezza.desktop.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;

import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

public class LanguageTest {

  private Locale locale;
  private Locale format;

  @BeforeMethod
  public void keep() {
    locale = Locale.getDefault();
    format = Locale.getDefault(Locale.Category.FORMAT);
  }

  @AfterMethod
  public void putBack() {
    Locale.setDefault(locale);
    Locale.setDefault(Locale.Category.FORMAT, format);
  }

  @Test
  public void theChosenLanguageIsSpokenAndNumbersHaveAPoint() {
    Language.speak("de");
    assertThat(Language.now()).isEqualTo(Language.GERMAN);
    assertThat("%.1f".formatted(2.5)).isEqualTo("2.5");
  }

  @Test
  public void theSystemsLanguageIsSpokenWhereNoneIsChosen() {
    Locale.setDefault(Locale.GERMANY);
    Language.speak("");
    assertThat(Language.now()).isEqualTo(Language.GERMAN);
    assertThat("%.1f".formatted(2.5)).isEqualTo("2.5");
  }

  @Test
  public void englishIsSpokenWhereThereAreNoWordsOfTheSystems() {
    Locale.setDefault(Locale.JAPAN);
    Language.speak("xx");
    assertThat(Language.now()).isEqualTo(Language.ENGLISH);
  }

  @Test
  public void theLanguagesComeInTurn() {
    assertThat(Language.ENGLISH.next()).isEqualTo(Language.GERMAN);
    assertThat(Language.GERMAN.next()).isEqualTo(Language.ENGLISH);
  }

  @Test
  public void aTextTakesThingsInWithAPoint() {
    assertThat(Texts.of("names").get("mask.softened", 7.6)).isEqualTo("softened by 8 px");
    assertThat(Texts.of("tools").get("overlay.soft", 35.0)).isEqualTo("soft 35 %");
  }
}
