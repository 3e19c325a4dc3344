package humble.core.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import humble.core.kit.Setting;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Which definitions count is held against a compiler's own preprocessor. */
class HeaderReaderTest {
  private static final List<String> NAMES =
      List.of("SCREEN_A", "SCREEN_B", "SCREEN_C", "SCREEN_D", "SCREEN_E");

  private static final Setting SCREEN =
      new Setting(
          "screen",
          "config.h",
          "Which screen is in your bag?",
          new Setting.Rule.OneOf(NAMES, Map.of()),
          false,
          true);

  @TempDir Path folder;

  private static SettingsText header(String text) {
    return SettingsText.read("config.h", text);
  }

  private static Set<String> on(String text) {
    Set<String> on = new TreeSet<>();
    header(text).entries().stream()
        .filter(Entry::isOn)
        .filter(entry -> NAMES.contains(entry.name()))
        .forEach(entry -> on.add(entry.name()));
    return on;
  }

  /** What the preprocessor has defined at the end of the file. */
  private Set<String> defined(String text) throws IOException, InterruptedException {
    Path file = folder.resolve("config.h");
    Files.writeString(file, text, StandardCharsets.ISO_8859_1);
    Process cc =
        new ProcessBuilder("cc", "-E", "-dM", "-x", "c", file.toString())
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    String said = new String(cc.getInputStream().readAllBytes(), StandardCharsets.ISO_8859_1);
    assertThat(cc.waitFor()).as(text).isZero();
    Set<String> defined = new TreeSet<>();
    said.lines().map(line -> line.split(" ")[1]).filter(NAMES::contains).forEach(defined::add);
    return defined;
  }

  private static String random(Random random) {
    StringBuilder text = new StringBuilder("#ifndef CONFIG_H\n#define CONFIG_H\n");
    String feed = random.nextBoolean() ? "\n" : "\r\n";
    List<String> names = new ArrayList<>(NAMES);
    java.util.Collections.shuffle(names, random);
    for (String name : names) {
      switch (random.nextInt(14)) {
        case 0, 1 -> text.append("#define ").append(name).append(feed);
        case 2 ->
            text.append("\t#  define\t").append(name).append(" // \"on\" /* now").append(feed);
        case 3, 4 -> text.append("//#define ").append(name).append(" 1").append(feed);
        case 5 -> text.append("  // # define ").append(name).append(feed);
        case 6 -> text.append("/* #define ").append(name).append(" */").append(feed);
        case 7 ->
            text.append("/* not\n#define ")
                .append(name)
                .append(feed)
                .append(" this /* one */")
                .append(feed);
        case 8 ->
            text.append("#if 0\n#define ").append(name).append(feed).append("#endif").append(feed);
        case 9 ->
            text.append("#if 0\n#else\n#define ")
                .append(name)
                .append(feed)
                .append("#endif")
                .append(feed);
        case 10 ->
            text.append("#if 1\n#define ")
                .append(name)
                .append(feed)
                .append("#else\n#endif")
                .append(feed);
        case 11 -> text.append("// goes on \\\n#define ").append(name).append(feed);
        case 12 -> text.append("#define LONG_ONE 1 + \\\n  2\n#define ").append(name).append(feed);
        default ->
            text.append("#define TEXT_")
                .append(name)
                .append(" \"/* no */ // x\"\n#define ")
                .append(name)
                .append(feed);
      }
    }
    return text.append("#endif").append(random.nextBoolean() ? feed : "").toString();
  }

  @Test
  void whatCountsIsWhatThePreprocessorDefines() throws Exception {
    assumeTrue(Files.isExecutable(Path.of("/usr/bin/cc")), "the launcher installs it where it can");
    Random random = new Random(17);
    for (int i = 0; i < 150; i++) {
      String text = random(random);
      assertThat(on(text)).as(text).isEqualTo(defined(text));
    }
  }

  /** After a choice exactly that one is defined, and every other line is as it was. */
  @Test
  void aChoiceLeavesOneOnAndEveryOtherByteAsItWas() throws Exception {
    assumeTrue(Files.isExecutable(Path.of("/usr/bin/cc")), "the launcher installs it where it can");
    Random random = new Random(18);
    int edited = 0;
    for (int i = 0; i < 150; i++) {
      String text = random(random);
      String wanted = NAMES.get(random.nextInt(NAMES.size()));
      SettingsEdit.Outcome outcome =
          SettingsEdit.of(header(text), List.of(SCREEN), Map.of("screen", wanted));
      if (outcome instanceof SettingsEdit.Outcome.Edited done) {
        edited++;
        assertThat(defined(done.text())).as(done.text()).containsExactly(wanted);
        assertThat(SettingsCheck.of(SCREEN, header(done.text())).problem()).isEmpty();
        List<String> before = text.lines().toList();
        List<String> after = done.text().lines().toList();
        assertThat(after).hasSameSizeAs(before);
        Set<Integer> changed = new TreeSet<>();
        done.changes().forEach(change -> changed.add(change.line()));
        for (int line = 1; line <= before.size(); line++) {
          if (!changed.contains(line)) {
            assertThat(after.get(line - 1)).isEqualTo(before.get(line - 1));
          }
        }
        assertThat(done.text().replaceAll("[^\r\n]", ""))
            .as("line ends")
            .isEqualTo(text.replaceAll("[^\r\n]", ""));
      } else {
        // Inside a comment of its own it is no setting at all.
        assertThat(header(text).named(wanted)).as(text).noneMatch(each -> each.locked().isEmpty());
      }
    }
    assertThat(edited).isGreaterThan(90);
  }

  /** What takes a moment of a usual file does not take minutes of an odd one. */
  @Test
  void oddFilesAreReadAtOnce() {
    String blanks = " ".repeat(200_000);
    assertThat(SettingsText.read("a.cfg", blanks + "x\n" + blanks + "a = 1\n").entries())
        .hasSize(1);
    assertThat(header("#ifndef A\n#endif\n".repeat(50_000)).entries()).isEmpty();
    assertThat(header("#define RATE " + "1".repeat(200_000) + "x\n").entries()).hasSize(1);
    assertThat(judged("#define RATE " + "1".repeat(200_000) + "x\n")).contains("not a number");
  }

  private static final Setting RATE =
      new Setting(
          "rate",
          "config.h",
          "",
          new Setting.Rule.Value("RATE", 1.0, 100.0, true, "Hz", false),
          false,
          true);

  private static String judged(String line) {
    return SettingsCheck.of(RATE, header(line)).problem();
  }

  @Test
  void valuesAreJudgedWithTheirLine() {
    assertThat(judged("#define RATE 50 // usual\n")).isEmpty();
    assertThat(judged("#define RATE (0x20UL)\n")).isEmpty();
    assertThat(judged("\n#define RATE 101\n")).isEqualTo("Line 2: RATE is above 100 Hz.");
    assertThat(judged("#define RATE 0\n")).contains("is below 1 Hz");
    assertThat(judged("#define RATE 2.5f\n")).contains("whole");
    assertThat(judged("#define RATE FAST\n")).contains("is not a number");
    assertThat(judged("#define RATE\n")).contains("no value");
    assertThat(judged("//#define RATE 5\n"))
        .contains("not set")
        .contains("commented out on line 1");
    assertThat(judged("")).isEqualTo("RATE is not set.");
    assertThat(judged("#define RATE 1\n#define RATE 2\n")).contains("2 times, on lines 1, 2");
    assertThat(judged("#define RATE(x) (x)\n")).contains("takes arguments");
    assertThat(judged("#ifdef FAST\n#define RATE 9\n#endif\n")).contains("#ifdef FAST on line 1");
  }

  @Test
  void aValueIsReplacedWhereItStands() {
    String text = "\t#define  RATE\t50\t/* Hz */  \r\n#define OTHER \"RATE 50\"\r\n";
    assertThat(SettingsEdit.of(header(text), List.of(RATE), Map.of("RATE", "7")))
        .isEqualTo(
            new SettingsEdit.Outcome.Edited(
                text.replaceFirst("50", "7"),
                List.of(new SettingsEdit.Change("rate", 1, "50", "7"))));
    assertThat(
            ((SettingsEdit.Outcome.Edited)
                    SettingsEdit.of(header("#define RATE\n"), List.of(RATE), Map.of("rate", "7")))
                .text())
        .isEqualTo("#define RATE 7\n");
    assertThat(
            ((SettingsEdit.Outcome.Edited)
                    SettingsEdit.of(
                        header("// #define RATE 5\n"), List.of(RATE), Map.of("rate", "7")))
                .text())
        .isEqualTo(" #define RATE 7\n");
  }

  @Test
  void everyReasonAgainstAnEditIsGivenAndNothingIsChanged() {
    SettingsEdit.Outcome outcome =
        SettingsEdit.of(
            header("#if 0\n#define SCREEN_A\n#endif\n#define RATE 5\n"),
            List.of(SCREEN, RATE),
            new java.util.TreeMap<>(Map.of("screen", "SCREEN_A", "rate", "500", "none", "1")));
    assertThat(((SettingsEdit.Outcome.Refused) outcome).problems())
        .hasSize(3)
        .anyMatch(text -> text.contains("#if 0 on line 1"))
        .anyMatch(text -> text.contains("above 100 Hz"))
        .anyMatch(text -> text.contains("no setting 'none'"));
    assertThat(
            SettingsEdit.of(
                header("#define RATE 5\n"), List.of(RATE), Map.of("rate", "6\n#define X")))
        .isInstanceOf(SettingsEdit.Outcome.Refused.class);
  }

  /** The same place is not changed twice, by whatever name it is called. */
  @Test
  void whatIsGivenTwiceIsRefused() {
    assertThat(
            SettingsEdit.of(
                header("#define RATE 5\n"),
                List.of(RATE),
                new java.util.TreeMap<>(Map.of("rate", "6", "RATE", "7"))))
        .isInstanceOfSatisfying(
            SettingsEdit.Outcome.Refused.class,
            refused -> assertThat(refused.problems().getFirst()).contains("given twice"));
    Setting other = new Setting("other", "config.h", "", SCREEN.rule(), false, false);
    assertThat(
            SettingsEdit.of(
                header("#define SCREEN_A\n//#define SCREEN_B\n"),
                List.of(SCREEN, other),
                new java.util.TreeMap<>(Map.of("screen", "SCREEN_B", "other", "SCREEN_B"))))
        .isInstanceOfSatisfying(
            SettingsEdit.Outcome.Refused.class,
            refused -> assertThat(refused.problems().getFirst()).contains("same place"));
  }

  /** A mark that an editor puts before the text hides nothing. */
  @Test
  void aByteOrderMarkHidesNothing() {
    String mark = "\u00ef\u00bb\u00bf";
    assertThat(on(mark + "#define SCREEN_A\n")).containsExactly("SCREEN_A");
    assertThat(SettingsText.read("a.cfg", mark + "rate = 5\n").named("rate")).hasSize(1);
  }

  /** A password is set, and neither what was there nor what is there now is told. */
  @Test
  void whatIsPrivateIsNotTold() {
    Setting word =
        new Setting(
            "word",
            "net.cfg",
            "",
            new Setting.Rule.Value("net.pass", null, null, false, "", true),
            true,
            true);
    SettingsText text =
        SettingsText.read(
            "net.cfg",
            "; of the library\n[net]\nname = shore ; open\n# pass = old secret\n[x]\npass=no\n");
    assertThat(SettingsCheck.of(word, text).problem()).contains("commented out on line 4");
    SettingsEdit.Outcome.Edited done =
        (SettingsEdit.Outcome.Edited)
            SettingsEdit.of(text, List.of(word), Map.of("word", "new secret"));
    assertThat(done.text())
        .isEqualTo(
            "; of the library\n[net]\nname = shore ; open\npass = new secret\n[x]\npass=no\n");
    assertThat(done.changes().toString()).doesNotContain("secret");
    assertThat(text.valueOf(text.named("net.name").getFirst())).isEqualTo("shore");
  }
}
