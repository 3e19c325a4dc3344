package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.build.KitChange;
import humble.core.kit.Board;
import humble.core.kit.BoardState;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Measured;
import humble.core.kit.Model;
import humble.core.kit.Mount;
import humble.core.kit.PackagePin;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.kit.Supply;
import humble.core.own.Edit;
import humble.core.own.Joining;
import humble.core.units.Band;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Kits with changes laid over their file. */
class ChangedKitTest {
  private static KitFolder demo(String name) {
    return KitFolder.at(DemoKits.root().resolve("kits").resolve(name));
  }

  private static Kit opened(KitFolder folder) {
    return switch (folder.read()) {
      case KitRead.Opened opened -> opened.kit();
      case KitRead.Refused refused ->
          throw new AssertionError(
              refused.findings().stream().filter(f -> f.isError()).limit(3).toList());
    };
  }

  private static byte[] changed(String json, KitChange... changes) throws IOException {
    return ChangedKit.of(json.getBytes(StandardCharsets.UTF_8), List.of(changes));
  }

  private static String plain(byte[] json) {
    return new String(json, StandardCharsets.UTF_8).replaceAll("\\s", "");
  }

  @Test
  void aChangeSetsTheKeysItNamesAndLeavesTheOthers() throws IOException {
    assertThat(
            plain(
                changed(
                    "{\"lines\":[{\"id\":\"a\",\"mine\":1,\"value\":\"1k\"},{\"id\":\"b\"}]}",
                    new KitChange("lines", "a", "{\"value\":\"2k\",\"bag\":\"x\"}"))))
        .isEqualTo(
            "{\"lines\":[{\"id\":\"a\",\"mine\":1,\"value\":\"2k\",\"bag\":\"x\"},{\"id\":\"b\"}]}");
  }

  @Test
  void nullTakesAKeyAwayAndAnEmptyChangeTheEntry() throws IOException {
    String json = "{\"gates\":[{\"id\":\"a\",\"caution\":\"hot\"}],\"nets\":{\"N\":[\"R1.1\"]}}";
    assertThat(plain(changed(json, new KitChange("gates", "a", "{\"caution\":null}"))))
        .contains("{\"id\":\"a\"}");
    assertThat(plain(changed(json, new KitChange("gates", "a", ""))))
        .as("a section of which nothing is left goes too")
        .isEqualTo("{\"nets\":{\"N\":[\"R1.1\"]}}");
    assertThat(plain(changed(json, new KitChange("nets", "N", "")))).contains("\"nets\":{}");
    assertThat(plain(changed(json, new KitChange("nets", "", "")))).doesNotContain("nets");
  }

  @Test
  void whatIsDamagedIsSaid() {
    assertThatThrownBy(() -> changed("[]", new KitChange("lines", "a", "{}")))
        .isInstanceOf(IOException.class);
    assertThatThrownBy(() -> changed("{}", new KitChange("lines", "a", "{")))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("cannot be read");
    assertThatThrownBy(() -> changed("{}", new KitChange("lines", "a", "[]")))
        .isInstanceOf(IOException.class);
  }

  @Test
  void everyKindOfEditIsThereWhenTheKitIsReadAgain() {
    KitFolder folder = demo("glowmoth");
    Kit kit = opened(folder);
    Line line =
        kit.lines().stream().filter(l -> l.kind() == PartKind.RESISTOR).findFirst().orElseThrow();
    String ref = line.refs().getFirst();
    Board board = kit.boards().getFirst();
    Place place =
        new Place(
            ref,
            board.id(),
            Side.TOP,
            new PointMm(3.5, 4.25),
            90,
            Mount.RAISED,
            1.5,
            9.0,
            null,
            null,
            null,
            List.of("2"),
            List.of("plus:1"),
            6,
            2,
            7.5);
    PartPackage pack =
        new PartPackage(
            "own-row",
            3,
            List.of(
                new PackagePin("1", new PointMm(-1, 0)), new PackagePin("2", new PointMm(1, 0))),
            kit.packageNamed(line.packageId()).orElseThrow().lead());
    Supply supply = new Supply("spare", 6, 120, "VBUS", "GND", new Band(5, 7), "centre-minus");
    BoardState state =
        new BoardState(
            "half",
            "half lit",
            "spare",
            List.of(ref),
            List.of(),
            Map.of(),
            Map.of(),
            Map.of(),
            Map.of(),
            0.25);
    Gate gate =
        new Gate(
            "late",
            "a late look",
            Measured.VOLTAGE,
            List.of("GND", "GND"),
            "half",
            new Band(-1, 1),
            List.of(),
            "mind");
    List<Edit> edits = new ArrayList<>();
    edits.addAll(Joining.parted(kit, new PinRef(ref, "1")).edits());
    edits.addAll(
        List.of(
            new Edit.PutBoard(board.thick(0.8)),
            new Edit.PutPackage(pack),
            new Edit.InPackage(line.id(), "own-row"),
            new Edit.ActsAs(line.id(), new Model.Resistor(4700)),
            new Edit.PutPlace(place),
            new Edit.PutNet("SPARE", List.of(new PinRef(ref, "1"))),
            new Edit.PutSupply(supply),
            new Edit.PutState(state),
            new Edit.PutGate(gate)));
    KitFolder told = folder.with(EditWriter.changes(folder, kit, edits));
    KitRead read = told.read();
    Kit now =
        switch (read) {
          case KitRead.Opened opened -> opened.kit();
          case KitRead.Refused refused -> throw new AssertionError(refused.findings());
        };
    assertThat(now.board(board.id()).orElseThrow().thicknessMm()).isEqualTo(0.8);
    assertThat(now.packageNamed("own-row")).contains(pack);
    assertThat(now.line(line.id()).orElseThrow().packageId()).isEqualTo("own-row");
    assertThat(now.line(line.id()).orElseThrow().model()).isEqualTo(new Model.Resistor(4700));
    assertThat(now.line(line.id()).orElseThrow().supplied()).isEqualTo(line.supplied());
    assertThat(now.placeOf(ref)).contains(place);
    assertThat(now.nets().get("SPARE")).containsExactly(new PinRef(ref, "1"));
    assertThat(now.supply("spare")).contains(supply);
    assertThat(now.state("half")).contains(state);
    assertThat(now.gate("late").orElseThrow().fixedWindow()).contains(new Band(-1, 1));
    assertThat(now.gate("late").orElseThrow().caution()).isEqualTo("mind");
    assertThat(opened(folder)).as("the file on the disk is as it was").isEqualTo(kit);
    List<KitChange> gone =
        EditWriter.changes(told, now, List.of(new Edit.DropPlace(ref), new Edit.DropNet("SPARE")));
    List<KitChange> all = new ArrayList<>(EditWriter.changes(folder, kit, edits));
    all.addAll(gone);
    Kit last = opened(folder.with(all));
    assertThat(last.placeOf(ref)).isEmpty();
    assertThat(last.nets()).doesNotContainKey("SPARE");
  }

  @Test
  void whatTheBoardFilesGaveStaysWhenAHandChangesSomething() {
    List<KitChange> bare =
        Stream.of(
                "nets",
                "places",
                "gates",
                "states",
                "supplies",
                "tasks",
                "rules",
                "sheet",
                "blocks",
                "peripherals",
                "cautions",
                "options",
                "loose",
                "wires",
                "modules",
                "windings",
                "cables",
                "faults",
                "firmware",
                "enclosure",
                "trims",
                "calibrations",
                "proofs")
            .map(section -> new KitChange(section, "", ""))
            .toList();
    KitFolder folder = demo("weathercock").with(bare);
    Kit kit = opened(folder);
    assertThat(folder.silentOn("nets", "lines")).containsExactly("nets");
    assertThat(kit.nets()).as("they come from its board files").hasSizeGreaterThan(3);
    String first = kit.nets().keySet().iterator().next();
    List<KitChange> all = new ArrayList<>(bare);
    all.addAll(EditWriter.changes(folder, kit, List.of(new Edit.DropNet(first))));
    Kit now = opened(demo("weathercock").with(all));
    assertThat(now.nets()).doesNotContainKey(first).hasSize(kit.nets().size() - 1);
    assertThat(now.places())
        .extracting(Place::ref)
        .containsExactlyInAnyOrderElementsOf(kit.places().stream().map(Place::ref).toList());
    assertThat(EditWriter.writtenOut(demo("weathercock").with(all), now))
        .as("once is enough")
        .isEmpty();
    assertThat(EditWriter.writtenOut(demo("glowmoth"), opened(demo("glowmoth")))).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(strings = {"ferryman", "glowmoth", "lockkeeper", "tidepool", "weathercock"})
  void aKitWrittenElsewhereIsTheSameWithItsChanges(String name, @TempDir Path folder)
      throws IOException {
    KitFolder told = demo(name).with(List.of(new KitChange("summary", "", "\"told\"")));
    for (String target : List.of("kit", "kit.hckit")) {
      told.writeTo(folder.resolve(target), false);
      Kit written = opened(KitFolder.at(folder.resolve(target)));
      assertThat(written).isEqualTo(opened(told));
      assertThat(written.summary()).isEqualTo("told");
    }
    assertThatThrownBy(() -> told.writeTo(folder.resolve("kit"), false))
        .isInstanceOf(IOException.class);
    assertThat(Files.exists(folder.resolve("kit/kit.json"))).isTrue();
  }
}
