package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.KitChange;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A kit file walked and changed piece by piece. */
class KitTreeTest {
  private static final JsonMapper JSON = new JsonMapper();

  private static KitFolder demo(String name) {
    return KitFolder.at(DemoKits.root().resolve("kits").resolve(name));
  }

  private static JsonNode after(KitFolder folder, KitChange change) throws IOException {
    return JSON.readTree(ChangedKit.of(folder.bytes("kit.json"), List.of(change)));
  }

  /** Every place of every demo kit can be walked to, and has a shape that it agrees with. */
  @ParameterizedTest
  @ValueSource(strings = {"ferryman", "glowmoth", "lockkeeper", "tidepool", "weathercock"})
  void everyWordAndNumberOfAKitCanBeReached(String name) throws IOException {
    KitTree tree = KitTree.of(demo(name), List.of());
    JsonNode root =
        JSON.readTree(
            Files.readString(DemoKits.root().resolve("kits").resolve(name).resolve("kit.json")));
    List<List<String>> leaves = new ArrayList<>();
    walk(root, List.of(), leaves);
    assertThat(leaves).hasSizeGreaterThan(100);
    for (List<String> way : leaves) {
      for (int i = 0; i < way.size(); i++) {
        String step = way.get(i);
        List<String> to = way.subList(0, i);
        if (i > 0 || !step.equals("format")) {
          assertThat(tree.below(to)).as("below %s", to).anyMatch(item -> item.step().equals(step));
        }
      }
      assertThat(tree.isSaid(way)).isTrue();
    }
  }

  private static void walk(JsonNode at, List<String> way, List<List<String>> leaves) {
    boolean list = at.isArray() && (at.isEmpty() || !at.get(0).isObject());
    if (at.isValueNode() || list) {
      leaves.add(way);
      return;
    }
    if (at.isArray()) {
      for (int i = 0; i < at.size(); i++) {
        walk(at.get(i), with(way, String.valueOf(i)), leaves);
      }
    } else {
      at.properties().forEach(each -> walk(each.getValue(), with(way, each.getKey()), leaves));
    }
  }

  private static List<String> with(List<String> way, String step) {
    List<String> more = new ArrayList<>(way);
    more.add(step);
    return more;
  }

  @Test
  void aWordIsSetWhereItStandsAndNothingElseChanges() throws IOException {
    KitFolder folder = demo("glowmoth");
    KitTree tree = KitTree.of(folder, List.of());
    KitChange change = tree.set(List.of("lines", "2", "value"), "never").orElseThrow();
    assertThat(change.section()).isEqualTo("lines");
    assertThat(change.json()).isEqualTo("{\"value\":\"never\"}");
    JsonNode before = JSON.readTree(folder.bytes("kit.json"));
    JsonNode now = after(folder, change);
    assertThat(now.at("/lines/2/value").asString()).isEqualTo("never");
    assertThat(now.at("/lines/1")).isEqualTo(before.at("/lines/1"));
    assertThat(now.path("places")).isEqualTo(before.path("places"));
  }

  @Test
  void whatLiesDeeperTakesItsWholeKeyAlong() throws IOException {
    KitFolder folder = demo("glowmoth");
    KitTree tree = KitTree.of(folder, List.of());
    int line = -1;
    for (KitTree.Item item : tree.below(List.of("lines"))) {
      if (tree.isSaid(List.of("lines", item.step(), "model", "type"))) {
        line = Integer.parseInt(item.step());
      }
    }
    List<String> way = List.of("lines", String.valueOf(line), "model", "ma_spread_pct");
    JsonNode now = after(folder, tree.set(way, "12.5").orElseThrow());
    assertThat(now.at("/lines/" + line + "/model/ma_spread_pct").asDouble()).isEqualTo(12.5);
    assertThat(now.at("/lines/" + line + "/model/type"))
        .isEqualTo(JSON.readTree(folder.bytes("kit.json")).at("/lines/" + line + "/model/type"));
  }

  @Test
  void entriesAreAddedAndRemoved() throws IOException {
    KitFolder folder = demo("tidepool");
    KitTree tree = KitTree.of(folder, List.of());
    KitChange task = tree.added(List.of("tasks"), "sweep");
    assertThat(task.id()).isEqualTo("sweep");
    JsonNode now = after(folder, task);
    assertThat(now.path("tasks").get(now.path("tasks").size() - 1).path("id").asString())
        .isEqualTo("sweep");
    KitChange caution = tree.added(List.of("cautions"), "fit");
    assertThat(after(folder, caution).path("cautions").size())
        .isEqualTo(tree.below(List.of("cautions")).size() + 1);
    KitChange gone = tree.removed(List.of("cautions", "0"));
    assertThat(after(folder, gone).path("cautions").size())
        .isEqualTo(tree.below(List.of("cautions")).size() - 1);
    KitChange place = tree.removed(List.of("places", "0"));
    assertThat(after(folder, place).path("places").size())
        .isEqualTo(tree.below(List.of("places")).size() - 1);
    KitChange net = tree.added(List.of("nets"), "SPARE");
    assertThat(after(folder, net).path("nets").path("SPARE").isArray()).isTrue();
  }

  @ParameterizedTest
  @CsvSource({
    "tasks/0/kind,coat,true",
    "tasks/0/kind,paint,false",
    "tasks/0/minutes,4.5,true",
    "tasks/0/minutes,soon,false",
    "gates/0/at,U1.1 GND,true",
    "boards/0/coated,yes,true"
  })
  void onlyWhatMayStandThereIsTaken(String way, String typed, boolean taken) throws IOException {
    KitTree tree = KitTree.of(demo("tidepool"), List.of());
    assertThat(tree.set(List.of(way.split("/")), typed).isPresent()).isEqualTo(taken);
  }

  @Test
  void pairsAreDividedBySemicolons() throws IOException {
    KitTree tree = KitTree.of(demo("glowmoth"), List.of());
    KitChange change = tree.set(List.of("lines", "0", "model", "poles"), "1 2; 3 4").orElseThrow();
    assertThat(change.json()).contains("\"poles\":[[\"1\",\"2\"],[\"3\",\"4\"]]");
  }

  @Test
  void keysAreSpokenWithTheirUnits() {
    assertThat(KitTree.spoken("width_mm")).isEqualTo("width (mm)");
    assertThat(KitTree.spoken("minutes_unattended")).isEqualTo("minutes unattended");
    assertThat(KitTree.spoken("voc_range_v")).isEqualTo("voc range (V)");
  }
}
