package humble.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;

class WordsTest {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  @Test
  void aPhraseMayHoldPhrases() {
    Phrase thing = Phrase.of("orient.thing.connector");
    assertThat(WORDS.say(Phrase.of("orient.towards", thing, "J1")))
        .contains(WORDS.say(thing))
        .contains("J1");
  }

  @Test
  void listsAreWrittenWithCommas() {
    assertThat(WORDS.say("route.under", List.of("R7", "R8"), "DISP1")).contains("R7, R8");
  }

  @Test
  void anUnknownLanguageFallsBackToTheWordsThereAre() {
    assertThat(Words.core(Locale.forLanguageTag("tlh")).say("route.free"))
        .isEqualTo(WORDS.say("route.free"));
  }
}
