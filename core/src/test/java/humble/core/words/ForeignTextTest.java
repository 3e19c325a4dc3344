package humble.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;

class ForeignTextTest {
  @Test
  void aWordHoldsLettersDigitsAndUnderscoresOnly() {
    assertThat(ForeignText.word("POWER-LIGHT")).isEqualTo("POWER_LIGHT");
    assertThat(ForeignText.word("x\n.control")).isEqualTo("x__control");
    assertThat(ForeignText.word("Ω")).isEqualTo("_");
    assertThat(ForeignText.word("")).isEqualTo("_");
  }

  /** Whatever anybody writes: what leaves holds nothing else, and a file's name leads nowhere. */
  @Test
  void nothingElseGetsOut() {
    Random random = new Random(3);
    for (int i = 0; i < 20_000; i++) {
      StringBuilder text = new StringBuilder();
      int length = random.nextInt(12);
      for (int k = 0; k < length; k++) {
        text.append((char) random.nextInt(random.nextBoolean() ? 0x80 : 0x10000));
      }
      assertThat(ForeignText.word(text.toString())).matches("[A-Za-z0-9_]+");
      assertThat(ForeignText.fileName(text.toString())).matches("[A-Za-z0-9_][A-Za-z0-9._-]*");
      assertThat(ForeignText.shown(text.toString()).codePoints())
          .allMatch(c -> !ForeignText.isHidden(c) || c == 0x200c || c == 0x200d);
    }
  }

  @Test
  void fileNamesLeadNowhereAndAreNotEndless() {
    assertThat(ForeignText.fileName("../../harm")).isEqualTo("_.._.._harm");
    assertThat(ForeignText.fileName(".bashrc")).isEqualTo("_.bashrc");
    assertThat(ForeignText.fileName("-rf")).isEqualTo("_-rf");
    assertThat(ForeignText.fileName("glowmoth-1")).isEqualTo("glowmoth-1");
    assertThat(ForeignText.fileName("x".repeat(500))).hasSize(100);
  }

  @Test
  void whatCannotBeSeenIsShownByItsNumber() {
    assertThat(ForeignText.shown("left\u202eright")).isEqualTo("left‹202E›right");
    assertThat(ForeignText.shown("a\u001b[2Jb")).isEqualTo("a‹001B›[2Jb");
    assertThat(ForeignText.shown("a\ud800b")).isEqualTo("a‹D800›b");
    assertThat(ForeignText.shown("two\nlines\tof it")).isEqualTo("two lines of it");
    assertThat(ForeignText.shown("Müde Ωhm 日本 10 µF")).isEqualTo("Müde Ωhm 日本 10 µF");
    assertThat(ForeignText.shown("\ud83d\udca1")).isEqualTo("\ud83d\udca1");
  }

  @Test
  void distinctTextsHaveDistinctWordsWhateverTheirCase() {
    DistinctWords words = new DistinctWords();
    java.util.List<String> texts = java.util.List.of("A+", "A-", "a*", "A_", "A__2", "b", "B");
    java.util.List<String> out = texts.stream().map(words::of).toList();
    assertThat(out.stream().map(word -> word.toUpperCase(java.util.Locale.ROOT)))
        .doesNotHaveDuplicates();
    assertThat(out.getFirst()).isEqualTo("A_");
    assertThat(texts.stream().map(words::of)).containsExactlyElementsOf(out);
  }
}
