package humble.formats.settings;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Setting;
import humble.core.settings.Entry;
import humble.core.settings.SettingsCheck;
import humble.core.settings.SettingsEdit;
import humble.core.settings.SettingsText;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

class JsonSettingsTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private static Setting value(String key, boolean words) {
    return new Setting(
        "it", "a.json", "", new Setting.Rule.Value(key, 0.0, 1e9, false, "", words), false, true);
  }

  private static JsonNode drawn(Random random, int depth) {
    int kind = random.nextInt(depth > 3 ? 4 : 7);
    return switch (kind) {
      case 0 -> JSON.valueToTree(random.nextInt(1000));
      case 1 -> JSON.valueToTree(random.nextInt(1000) / 8.0);
      case 2 -> JSON.valueToTree(random.nextBoolean());
      case 3 -> JSON.valueToTree("w\"ö\\r/ " + random.nextInt(99) + "{[,:");
      case 4 -> {
        ArrayNode list = JSON.createArrayNode();
        for (int i = random.nextInt(4); i > 0; i--) {
          list.add(drawn(random, depth + 1));
        }
        yield list;
      }
      default -> {
        ObjectNode object = JSON.createObjectNode();
        for (int i = random.nextInt(5); i > 0; i--) {
          object.set("k" + i, drawn(random, depth + 1));
        }
        yield object;
      }
    };
  }

  private static void leaves(JsonNode node, String name, Map<String, JsonNode> into) {
    if (node.isObject()) {
      node.propertyNames()
          .forEach(key -> leaves(node.get(key), name.isEmpty() ? key : name + "." + key, into));
    } else if (node.isArray()) {
      for (int i = 0; i < node.size(); i++) {
        leaves(node.get(i), name.isEmpty() ? "" + i : name + "." + i, into);
      }
    } else {
      into.put(name, node);
    }
  }

  /** Blanks, tabs and line ends between the tokens, as people and programs leave them. */
  private static String spread(JsonNode node, Random random) {
    String blank = random.nextBoolean() ? "" : random.nextBoolean() ? " " : "\r\n\t";
    if (node.isObject()) {
      List<String> parts = new ArrayList<>();
      node.propertyNames()
          .forEach(key ->
              parts.add(blank + '"' + key + '"' + blank + ":" + spread(node.get(key), random)));
      return blank + "{" + String.join(blank + ",", parts) + blank + "}";
    }
    if (node.isArray()) {
      List<String> parts = new ArrayList<>();
      node.forEach(each -> parts.add(spread(each, random)));
      return blank + "[" + String.join(",", parts) + blank + "]";
    }
    return blank + node + blank;
  }

  /** A library reads the same names and values, and after an edit all but one as before. */
  @Test
  void whatStandsThereIsWhatALibraryReadsAndAnEditMovesOneValue() {
    Random random = new Random(17);
    int edited = 0;
    for (int round = 0; round < 400; round++) {
      ObjectNode root = JSON.createObjectNode();
      root.set("a", drawn(random, 0));
      root.set("b", drawn(random, 0));
      String text = spread(root, random);
      Map<String, JsonNode> wanted = new HashMap<>();
      leaves(root, "", wanted);
      SettingsText read = SettingsFile.read("a.json", text);
      Map<String, JsonNode> found = new HashMap<>();
      read.entries().forEach(e -> found.put(e.name(), JSON.readTree(read.valueOf(e))));
      assertThat(found).as(text).isEqualTo(wanted);
      List<String> numbers =
          wanted.entrySet().stream()
              .filter(e -> e.getValue().isNumber())
              .map(Map.Entry::getKey)
              .sorted()
              .toList();
      if (!numbers.isEmpty()) {
        String name = numbers.get(random.nextInt(numbers.size()));
        Entry at = read.named(name).getFirst();
        SettingsEdit.Outcome.Edited done =
            (SettingsEdit.Outcome.Edited)
                SettingsEdit.of(read, List.of(value(name, false)), Map.of("it", "70707"));
        assertThat(done.text())
            .isEqualTo(
                text.substring(0, at.value().from()) + "70707" + text.substring(at.value().to()));
        Map<String, JsonNode> now = new HashMap<>();
        leaves(JSON.readTree(done.text()), "", now);
        wanted.put(name, JSON.readTree("70707"));
        assertThat(now).isEqualTo(wanted);
        edited++;
      }
    }
    assertThat(edited).isGreaterThan(100);
  }

  @Test
  void wordsStayInTheirQuotesAndCommentsStayToo() {
    String text = "{ // mine\n  \"name\": \"Ann\", /* yes */ \"rate\": 5,\n}\n";
    SettingsEdit.Outcome.Edited done =
        (SettingsEdit.Outcome.Edited)
            SettingsEdit.of(
                SettingsFile.read("a.json", text),
                List.of(value("name", true)),
                Map.of("it", "the \"gull\""));
    assertThat(done.text()).isEqualTo(text.replace("\"Ann\"", "\"the \\\"gull\\\"\""));
  }

  /** Whatever is typed, what is written is JSON with the same value in it, or it is refused. */
  @Test
  void whatIsWrittenIsJson() {
    for (String before : List.of("null", "5", "\"5\"", "true", "\"a\"")) {
      for (String typed :
          List.of("7", "0x10", "5U", "(5)", "gull", "a\tb", "\"q\"", "\"open", "\\")) {
        for (boolean words : new boolean[] {true, false}) {
          String text = "{\"k\": " + before + ", \"z\": 1}";
          SettingsEdit.Outcome outcome =
              SettingsEdit.of(
                  SettingsFile.read("a.json", text),
                  List.of(value("k", words)),
                  Map.of("it", typed));
          if (outcome instanceof SettingsEdit.Outcome.Edited done) {
            JsonNode now = JSON.readTree(done.text());
            assertThat(now.get("z").intValue()).isEqualTo(1);
            assertThat(now.get("k").asString())
                .as("%s to %s", before, typed)
                .isEqualTo(typed.equals("\"q\"") ? "q" : typed);
          } else {
            assertThat(words && !typed.equals("\"open")).as("%s, %s", before, typed).isFalse();
          }
        }
      }
    }
  }

  @Test
  void aChoiceIsTheValueOfItsKey() {
    Setting choice =
        new Setting(
            "corners",
            "a.json",
            "",
            new Setting.Rule.OneOf(List.of("round", "square"), Map.of(), "screen.corners"),
            false,
            true);
    String text = "{\"screen\": {\"corners\": \"cut\"}}";
    SettingsText read = SettingsFile.read("a.json", text);
    assertThat(SettingsCheck.of(choice, read).problem())
        .isEqualTo("Line 1: screen.corners is none of round, square.");
    SettingsEdit.Outcome.Edited done =
        (SettingsEdit.Outcome.Edited)
            SettingsEdit.of(read, List.of(choice), Map.of("corners", "square"));
    assertThat(done.text()).isEqualTo(text.replace("cut", "square"));
    SettingsCheck.Judged now = SettingsCheck.of(choice, SettingsFile.read("a.json", done.text()));
    assertThat(now).isEqualTo(new SettingsCheck.Judged("corners", List.of("square"), ""));
    assertThat(SettingsEdit.of(read, List.of(choice), Map.of("corners", "oval")))
        .isInstanceOf(SettingsEdit.Outcome.Refused.class);
    // The same in a header and in a line of a key and a value.
    for (String file : List.of("a.h", "a.cfg")) {
      String line = file.equals("a.h") ? "#define corners square\n" : "corners = square\n";
      Setting own =
          new Setting(
              "corners",
              file,
              "",
              new Setting.Rule.OneOf(List.of("round", "square"), Map.of(), "corners"),
              false,
              true);
      SettingsText plain = SettingsFile.read(file, line);
      assertThat(SettingsCheck.of(own, plain).problem()).isEmpty();
      assertThat(
              ((SettingsEdit.Outcome.Edited)
                      SettingsEdit.of(plain, List.of(own), Map.of("corners", "round")))
                  .text())
          .isEqualTo(line.replace("square", "round"));
    }
  }

  @Test
  void whatIsNoJsonIsSaidWithItsLineAndNothingIsWritten() {
    SettingsText cut = SettingsFile.read("a.json", "{\"rate\": 5,\n \"name\": \"Ann\n}");
    assertThat(SettingsCheck.of(value("rate", false), cut).problem()).startsWith("Line ");
    assertThat(SettingsEdit.of(cut, List.of(value("rate", false)), Map.of("it", "6")))
        .isInstanceOf(SettingsEdit.Outcome.Refused.class);
    assertThat(SettingsFile.read("a.json", "").wrong()).isNotEmpty();
    assertThat(SettingsFile.read("a.json", "[".repeat(100_000)).wrong()).isNotEmpty();
    assertThat(
            SettingsCheck.of(
                    value("rate", false), SettingsFile.read("a.json", "{\"rate\":5,\"rate\":6}"))
                .problem())
        .contains("set 2 times");
  }
}
