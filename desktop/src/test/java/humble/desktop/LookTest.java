package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.BuildEvent;
import humble.core.kit.PartKind;
import humble.desktop.draw.Palette;
import humble.desktop.draw.Token;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.MessageFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Contrast by WCAG 2.2, tokens in one place, words for everything. */
class LookTest {
  private static final Pattern SAID = Pattern.compile("words\\.say\\(\\s*\"([a-z0-9.-]+)\"");
  private static final ResourceBundle WORDS =
      ResourceBundle.getBundle("humble.desktop.desktop", Locale.ROOT);

  private static double luminance(Color colour) {
    return 0.2126 * linear(colour.getRed())
        + 0.7152 * linear(colour.getGreen())
        + 0.0722 * linear(colour.getBlue());
  }

  private static double linear(double channel) {
    return channel <= 0.04045 ? channel / 12.92 : Math.pow((channel + 0.055) / 1.055, 2.4);
  }

  private static double contrast(Color a, Color b) {
    double high = Math.max(luminance(a), luminance(b));
    double low = Math.min(luminance(a), luminance(b));
    return (high + 0.05) / (low + 0.05);
  }

  @Test
  void blackOnWhiteIsTwentyOneToOne() {
    assertThat(contrast(Color.BLACK, Color.WHITE)).isEqualTo(21);
  }

  @ParameterizedTest
  @CsvSource({
    "INK,PAPER",
    "INK,MAT",
    "INK,CARD",
    "INK,FIELD",
    "INK_SOFT,PAPER",
    "INK_SOFT,MAT",
    "INK_SOFT,CARD",
    "ON_MASK,MASK",
    "ON_BOARD,BOARD",
    "ALARM,CARD",
    "ALARM,MAT",
    "MASK,CARD",
    "INK,FLUX_PALE",
    "INK,ALARM_PALE",
    "INK,COPPER_PALE",
    "ALARM,ALARM_PALE"
  })
  void textStandsOutInBothThemes(Token text, Token ground) {
    for (String theme : List.of("day", "night")) {
      Palette palette = Palette.of(theme);
      assertThat(contrast(palette.of(text), palette.of(ground)))
          .as("%s: %s on %s", theme, text, ground)
          .isGreaterThanOrEqualTo(4.5);
    }
  }

  @ParameterizedTest
  @CsvSource({"COPPER,PAPER", "COPPER,MAT", "COPPER,CARD", "MASK,MAT", "ALARM,PAPER", "FLUX,CARD"})
  void marksStandOutInBothThemes(Token mark, Token ground) {
    for (String theme : List.of("day", "night")) {
      Palette palette = Palette.of(theme);
      assertThat(contrast(palette.of(mark), palette.of(ground)))
          .as("%s: %s on %s", theme, mark, ground)
          .isGreaterThanOrEqualTo(3);
    }
  }

  private static List<Path> sources(String ending) throws IOException {
    try (Stream<Path> files = Files.walk(BenchInTest.root().resolve("desktop/src/main"))) {
      return files.filter(f -> f.toString().endsWith(ending)).toList();
    }
  }

  @Test
  void coloursAreDefinedInTheThemesOnly() throws IOException {
    List<String> strays = new ArrayList<>();
    for (Path file : sources(".java")) {
      String text = Files.readString(file);
      if (Pattern.compile("#[0-9a-fA-F]{6}|Color\\.rgb|Color\\.web\\(\"").matcher(text).find()
          && !file.endsWith("Palette.java")
          && !file.endsWith("PartIcon.java")) {
        strays.add(file.toString());
      }
    }
    assertThat(
            Files.readString(
                BenchInTest.root().resolve("desktop/src/main/resources/humble/desktop/bench.css")))
        .doesNotContainPattern("#[0-9a-f]{6}");
    assertThat(strays).isEmpty();
  }

  @Test
  void everythingSaidHasItsWords() throws IOException {
    List<String> missing = new ArrayList<>();
    int said = 0;
    for (Path file : sources(".java")) {
      Matcher matcher = SAID.matcher(Files.readString(file));
      while (matcher.find()) {
        said++;
        String key = matcher.group(1);
        if (!key.endsWith(".") && !WORDS.containsKey(key)) {
          missing.add(file.getFileName() + ": " + key);
        }
      }
    }
    assertThat(said).isGreaterThan(150);
    assertThat(missing).isEmpty();
    for (PartKind kind : PartKind.values()) {
      assertThat(WORDS.containsKey("kind." + kind.text())).as(kind.text()).isTrue();
      assertThat(WORDS.containsKey("kinds." + kind.text())).as(kind.text()).isTrue();
    }
    assertThat(BuildEvent.class.getPermittedSubclasses()).isNotEmpty();
  }

  @Test
  void wordsAreWellFormedCalmAndNeverCallAThingSafe() {
    for (String key : WORDS.keySet()) {
      String text = WORDS.getString(key);
      assertThat(new MessageFormat(text, Locale.ENGLISH).format(new Object[] {1, 2, 3, 4}))
          .as(key)
          .isNotNull();
      assertThat(text).as(key).doesNotContain("!").doesNotContainPattern("(?i)\\bsafe\\b");
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"B612-Regular", "B612-Bold", "B612Mono-Bold"})
  void theFacesAreShippedInside(String face) throws IOException {
    try (var in = Main.class.getResourceAsStream("/humble/desktop/fonts/" + face + ".otf")) {
      assertThat(in).isNotNull();
      assertThat(new String(in.readNBytes(4), StandardCharsets.ISO_8859_1)).isEqualTo("OTTO");
    }
  }
}
