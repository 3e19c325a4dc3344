package humble.formats.board;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import humble.core.budget.Budget;
import humble.core.intake.Draft;
import humble.core.intake.Intake;
import humble.core.intake.PartRow;
import humble.core.kit.Board;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.formats.kit.DemoKits;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import humble.formats.kit.KitWriter;
import humble.formats.table.KitTables;
import humble.formats.table.PartsTable;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class BoardFilesTest {
  private static final String HEAD = "%FSLAX26Y26*%\n%MOMM*%\n";

  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.ISO_8859_1);
  }

  private static Layer layer(String text) throws BoardFileDamage {
    return Gerber.read("top.gbr", bytes(HEAD + text + "M02*\n"));
  }

  static Stream<Path> kits() {
    return DemoKits.all().stream();
  }

  @ParameterizedTest
  @MethodSource("kits")
  void aWholeSetWrittenFromAKitGivesItsPadsNetsAndHolesBack(Path path) throws BoardFileDamage {
    Kit kit = ((KitRead.Opened) KitFolder.at(path).read()).kit();
    Parts parts = Parts.of(kit);
    for (Board board : kit.boards()) {
      Map<String, String> files = BoardWriter.files(parts, board);
      Layer top = Gerber.read("top", bytes(files.get("copper_top")));
      Layer bottom = Gerber.read("bottom", bytes(files.get("copper_bottom")));
      DrillFile drill = DrillFile.read("drill", bytes(files.get("drill")));
      Netlist netlist = Netlist.read("netlist", bytes(files.get("netlist")));
      assertThat(top.function()).startsWith("Copper,L1,Top");
      assertThat(netlist.pins()).isNotEmpty();
      for (Netlist.Pin pin : netlist.pins()) {
        PointMm pad = parts.padAt(new PinRef(pin.ref(), pin.pin())).orElseThrow();
        assertThat(pin.at().distanceMm(pad)).isLessThan(0.002);
        String name = pin.ref() + "." + pin.pin();
        Layer.Flash flash = top.pins().getOrDefault(name, bottom.pins().get(name));
        assertThat(flash.at().distanceMm(pad)).isLessThan(1e-5);
        assertThat(flash.tags().net()).isEqualTo(pin.net());
        assertThat(flash.aperture().kind() == Aperture.Kind.RECTANGLE)
            .isEqualTo(pin.pin().equals("1"));
      }
      long through = netlist.pins().stream().filter(pin -> pin.side() == null).count();
      assertThat(drill.holes()).hasSize((int) through).allMatch(hole -> hole.diameterMm() == 0.9);
      double[] box =
          Gerber.read("profile", bytes(files.get("profile"))).outlineExtent().orElseThrow();
      assertThat(box[2] - box[0]).isCloseTo(board.widthMm(), within(1e-6));
      for (String role : List.of("mask_top", "mask_bottom", "legend_top", "legend_bottom")) {
        assertThat(Gerber.read(role, bytes(files.get(role))).function()).isNotEmpty();
      }
    }
  }

  @ParameterizedTest
  @MethodSource("kits")
  void placesAndNetsAreFoundFromTheBoardFilesAlone(Path path, @TempDir Path folder)
      throws IOException {
    Kit kit = ((KitRead.Opened) KitFolder.at(path).read()).kit();
    Map<String, Path> byRole = new TreeMap<>();
    for (var file : BoardWriter.files(Parts.of(kit), kit.boards().getFirst()).entrySet()) {
      byRole.put(file.getKey(), Files.writeString(folder.resolve(file.getKey()), file.getValue()));
    }
    BoardReading reading = BoardReading.of(byRole);
    assertThat(reading.problems()).isEmpty();
    List<PartRow> rows = PartsTable.parts(KitTables.parts(kit), "bom.csv").rows();
    Draft draft = Intake.draft("again", rows, List.of(), Map.of(), reading.facts());
    Parts before = Parts.of(kit);
    Parts after = Parts.of(draft.kit());
    assertThat(draft.kit().boards().getFirst().widthMm())
        .isEqualTo(kit.boards().getFirst().widthMm());
    String board = kit.boards().getFirst().id();
    assertThat(draft.kit().places())
        .hasSizeGreaterThan(
            (int) kit.places().stream().filter(p -> p.board().equals(board)).count() / 2);
    for (Place place : draft.kit().places()) {
      before
          .get(place.ref())
          .pack()
          .pins()
          .forEach(pin -> {
            PinRef ref = new PinRef(place.ref(), pin.number());
            assertThat(after.padAt(ref)).as(ref.toString()).isPresent();
            assertThat(after.padAt(ref).orElseThrow().distanceMm(before.padAt(ref).orElseThrow()))
                .as(ref.toString())
                .isLessThan(0.011);
            if (before.chipIn(place.ref()).isEmpty()) {
              assertThat(after.netOf(ref)).isEqualTo(before.netOf(ref));
            }
          });
    }
    Path written = folder.resolve("kit");
    KitWriter.write(written, KitWriter.text(draft.kit()), Map.of(), false);
    assertThat(KitFolder.at(written).read()).isInstanceOf(KitRead.Opened.class);
  }

  @Test
  void aBlockApertureIsPutDownMirroredTurnedAndScaled() throws BoardFileDamage {
    Layer layer =
        layer(
            "%ADD10C,0.5*%\n%ABD12*%\nD10*\nX1000000Y0D03*\n%AB*%\nD12*\nX5000000Y5000000D03*\n"
                + "%LMX*%\n%LR90*%\n%LS2*%\nX9000000Y5000000D03*\n");
    assertThat(layer.marks())
        .extracting(mark -> ((Layer.Flash) mark).at())
        .satisfiesExactly(
            at -> assertThat(at.distanceMm(new PointMm(6, 5))).isLessThan(1e-9),
            // Mirrored to (−1, 0), turned by 90° to (0, −1), twice as far.
            at -> assertThat(at.distanceMm(new PointMm(9, 3))).isLessThan(1e-9));
    assertThat(((Layer.Flash) layer.marks().getLast()).aperture().extent()[2])
        .isCloseTo(0.5, within(0.01));
  }

  @Test
  void aClearBlockTakesAwayWhatItWouldHaveDrawn() throws BoardFileDamage {
    Layer layer =
        layer(
            "%ADD10C,1*%\n%ABD12*%\nD10*\nX0Y0D03*\n%LPC*%\nX0Y0D03*\n%AB*%\nD12*\n"
                + "%LPC*%\nX5000000Y5000000D03*\n");
    assertThat(layer.marks()).extracting(Layer.Mark::dark).containsExactly(false, true);
  }

  @Test
  void aBlockThatIsNotClosedOrNotBegunNamesItsLine() {
    assertThatThrownBy(() -> layer("%ADD10C,1*%\n%ABD12*%\nD10*\nX0Y0D03*\n"))
        .isInstanceOf(BoardFileDamage.class)
        .hasMessageContaining("D12");
    assertThatThrownBy(() -> layer("%AB*%\n"))
        .isInstanceOf(BoardFileDamage.class)
        .hasMessageContaining("not begun");
  }

  @ParameterizedTest
  @MethodSource("kits")
  void aKitThatLeavesOutNetsPlacesAndMarksTakesThemFromItsBoardFiles(Path path) throws IOException {
    Kit kit = ((KitRead.Opened) KitFolder.at(path).read()).kit();
    Map<String, byte[]> files = new TreeMap<>();
    List<humble.core.kit.Board> boards = new java.util.ArrayList<>();
    for (humble.core.kit.Board board : kit.boards()) {
      Map<String, String> names = new TreeMap<>();
      BoardWriter.files(Parts.of(kit), board)
          .forEach((role, text) -> {
            names.put(role, board.id() + "-" + role);
            files.put(board.id() + "-" + role, bytes(text));
          });
      boards.add(
          new humble.core.kit.Board(
              board.id(),
              board.revision(),
              board.widthMm(),
              board.heightMm(),
              board.thicknessMm(),
              board.outline(),
              names));
    }
    Kit bare = kit.withBoard(List.of(), Map.of()).withBoards(boards);
    List<humble.core.kit.Finding> findings = new java.util.ArrayList<>();
    Kit again =
        BoardCompletion.of(bare, name -> require(files, name), findings, Budget.unlimited());
    assertThat(findings).singleElement().matches(finding -> !finding.isError());
    assertThat(again.nets().keySet()).containsExactlyInAnyOrderElementsOf(kit.nets().keySet());
    assertThat(again.places()).hasSizeGreaterThan(kit.places().size() / 2);
    Parts before = Parts.of(kit);
    Parts after = Parts.of(again);
    for (Place place : again.places()) {
      PinRef first = new PinRef(place.ref(), "1");
      assertThat(after.padAt(first).orElseThrow().distanceMm(before.padAt(first).orElseThrow()))
          .as(place.ref())
          .isLessThan(0.011);
      assertThat(place.board()).isEqualTo(kit.placeOf(place.ref()).orElseThrow().board());
    }
    List<Place> unmarked = kit.places().stream().map(place -> place.withMarks(List.of())).toList();
    Kit marked =
        BoardCompletion.withMarks(
            kit.withBoard(unmarked, kit.nets()).withBoards(boards),
            name -> require(files, name),
            Budget.unlimited());
    assertThat(marked.places()).anyMatch(place -> place.marks().contains("square-pad:1"));
    assertThat(
            BoardCompletion.of(
                kit.withBoards(boards), name -> require(files, name), findings, Budget.unlimited()))
        .as("a kit that says all of it is left as it is")
        .isEqualTo(kit.withBoards(boards));
  }

  private static byte[] require(Map<String, byte[]> files, String name) throws IOException {
    byte[] found = files.get(name);
    if (found == null) {
      throw new IOException("no " + name);
    }
    return found;
  }

  @Test
  void regionsArcsAndPolarity() throws BoardFileDamage {
    Layer layer =
        layer(
            "%ADD10C,1*%\nD10*\n%LPD*%\nG75*\nX1000000Y0D02*\nG03X1000000Y0I-1000000J0D01*\nG01*\n"
                + "%LPC*%\nG36*\nX0Y0D02*\nX2000000D01*\nY2000000D01*\nX0Y0D01*\nG37*\n");
    List<Layer.Mark> marks = layer.marks();
    assertThat(marks.getLast()).isInstanceOf(Layer.Region.class);
    assertThat(marks.getLast().dark()).isFalse();
    double length =
        marks.stream()
            .filter(Layer.Stroke.class::isInstance)
            .map(Layer.Stroke.class::cast)
            .mapToDouble(s -> s.from().distanceMm(s.to()))
            .sum();
    assertThat(length).as("a full circle of radius 1").isCloseTo(2 * Math.PI, within(0.02));
    assertThat(layer.extent().orElseThrow()[2]).isCloseTo(1.5, within(1e-9));
  }

  @Test
  void quarterArcsTakeTheCentreThatFits() throws BoardFileDamage {
    Layer layer = layer("%ADD10C,0.1*%\nD10*\nG74*\nX1000000Y0D02*\nG03X0Y1000000I1000000J0D01*\n");
    layer
        .marks()
        .forEach(mark -> {
          Layer.Stroke stroke = (Layer.Stroke) mark;
          assertThat(Math.hypot(stroke.to().xMm(), stroke.to().yMm())).isCloseTo(1, within(1e-9));
        });
  }

  @Test
  void macrosReckonTheirNumbers() throws BoardFileDamage {
    Layer layer =
        layer(
            "%AMBOX*0 a box with a hole*$3=$1x2*21,1,$3,$2/2,0,0,90*1,0,$2/4,0,0*%\n"
                + "%ADD11BOX,1X4*%\nD11*\nX0Y0D03*\n");
    Layer.Flash flash = (Layer.Flash) layer.marks().getFirst();
    assertThat(flash.aperture().outlines()).hasSize(2);
    assertThat(flash.extent()).containsExactly(new double[] {-1, -1, 1, 1}, within(1e-9));
    assertThat(flash.aperture().outlines().get(1).dark()).isFalse();
  }

  @Test
  void stepAndRepeatCopiesInchesAreConvertedAndTrailingZerosRead() throws BoardFileDamage {
    Layer repeated = layer("%ADD10C,1*%\nD10*\n%SRX3Y2I5J4*%\nX0Y0D03*\n%SR*%\nX50000000Y0D03*\n");
    assertThat(repeated.marks()).hasSize(7);
    assertThat(repeated.extent().orElseThrow())
        .containsExactly(new double[] {-0.5, -0.5, 50.5, 4.5}, within(1e-9));
    Layer inch =
        Gerber.read(
            "i.gbr",
            bytes("%FSTAX24Y24*%\n%MOIN*%\n%ADD10R,0.1X0.05*%\nG54D10*\nX01Y0D03*\nM02*\n"));
    Layer.Flash flash = (Layer.Flash) inch.marks().getFirst();
    assertThat(flash.at().xMm()).isCloseTo(25.4, within(1e-9));
    assertThat(flash.aperture().widthMm()).isCloseTo(2.54, within(1e-9));
  }

  @Test
  void aTurnedAndMirroredAperture() throws BoardFileDamage {
    Layer layer = layer("%ADD10R,2X1*%\nD10*\n%LR90*%\nX0Y0D03*\n");
    assertThat(layer.extent().orElseThrow())
        .containsExactly(new double[] {-0.5, -1, 0.5, 1}, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          X0Y0D03*                  | top.gbr line 3: Something is drawn before an aperture is chosen.
          D99*                      | top.gbr line 3: There is no aperture D99.
          %ADD10NONE,1*%            | top.gbr line 3: There is no macro 'NONE'.
          %ADD10C*%                 | top.gbr line 3: The aperture C lacks numbers.
          %ADD10C,wide*%            | top.gbr line 3: 'wide' is no number.
          X1.5Y0D02*                | top.gbr line 3: '1.5' is no coordinate.
          G99*                      | top.gbr line 3: There is no code G99.
          Q*                        | top.gbr line 3: 'Q' begins no word here.
          %XX*%                     | top.gbr line 3: There is no command 'XX'.
          """)
  void aMalformedLayerNamesFileAndLine(String text, String message) {
    assertThatThrownBy(() -> layer(text + "\n"))
        .isInstanceOf(BoardFileDamage.class)
        .hasMessage(message);
  }

  @Test
  void whatWasCutOffIsSaid() {
    assertThatThrownBy(() -> Gerber.read("a.gbr", bytes(HEAD))).hasMessageContaining("cut off");
    assertThatThrownBy(() -> Gerber.read("a.gbr", bytes("X0Y0D02*\n")))
        .hasMessageContaining("FS is missing");
    assertThatThrownBy(() -> DrillFile.read("d", bytes("M48\nMETRIC\nT1C1\n%\n")))
        .hasMessageContaining("M30");
    assertThatThrownBy(() -> DrillFile.read("d", bytes("M48\nMETRIC\n%\nX1Y1\nM30\n")))
        .hasMessage("d line 4: A hole is drilled before a tool is chosen.");
    assertThatThrownBy(() -> DrillFile.read("d", bytes("M48\nMETRIC\n%\nT7\nM30\n")))
        .hasMessage("d line 4: There is no tool T7.");
    assertThatThrownBy(() -> Netlist.read("n", bytes("317GND\n")))
        .hasMessageStartingWith("n line 1");
  }

  @Test
  void drillFilesInInchesWithSlots() throws BoardFileDamage {
    DrillFile drill =
        DrillFile.read("d", bytes("M48\nINCH,LZ\nT1C0.0400\n%\nT1\nX01Y005\nX01G85X02\nM30\n"));
    assertThat(drill.holes()).hasSize(2);
    assertThat(drill.holes().getFirst().at()).isEqualTo(new PointMm(25.4, 12.7));
    assertThat(drill.holes().getLast().to().xMm()).isCloseTo(50.8, within(1e-9));
  }

  @Property(tries = 300)
  void noBytesMakeTheReadersFallOtherwise(@ForAll byte[] noise) {
    for (Reader reader : List.<Reader>of(Gerber::read, DrillFile::read, Netlist::read)) {
      try {
        assertThat(reader.read("x", noise)).isNotNull();
      } catch (BoardFileDamage e) {
        assertThat(e.getMessage()).startsWith("x line ");
      }
    }
  }

  private interface Reader {
    Object read(String file, byte[] bytes) throws BoardFileDamage;
  }

  @Property(tries = 300)
  void textOfGerberLettersMakesItFallOnlyWithItsLine(@ForAll("words") String text) {
    try {
      assertThat(layer("%ADD10C,1*%\nD10*\n" + text).marks()).isNotNull();
    } catch (BoardFileDamage e) {
      assertThat(e.getMessage()).startsWith("top.gbr line ");
    }
  }

  @net.jqwik.api.Provide
  net.jqwik.api.Arbitrary<String> words() {
    return net.jqwik.api.Arbitraries.strings()
        .withChars("GDXYIJM0123%*SRALP,.-+\n")
        .ofMaxLength(60);
  }

  @Test
  void namesInAttributesAreUtf8OrEscapedOrOldLetters() throws BoardFileDamage {
    String text = "%FSLAX46Y46*%%MOMM*%%ADD10C,1*%D10*%TO.N,NET*%X0Y0D03*M02*";
    for (String net : List.of("µV", "Ω1", "plain")) {
      byte[] bytes = text.replace("NET", net).getBytes(StandardCharsets.UTF_8);
      assertThat(Gerber.read("a", bytes).marks().getFirst().tags().net()).isEqualTo(net);
    }
    assertThat(
            Gerber.read("a", bytes(text.replace("NET", "\\u00b5V")))
                .marks()
                .getFirst()
                .tags()
                .net())
        .isEqualTo("µV");
    byte[] old = text.replace("NET", "µV").getBytes(StandardCharsets.ISO_8859_1);
    assertThat(Gerber.read("a", old).marks().getFirst().tags().net()).isEqualTo("µV");
  }

  @Test
  void rubbishBehindFormatUnitAndPolarityIsDamage() {
    for (String head :
        List.of(
            "%FSLAX46Y46rubbish*%%MOMM*%",
            "%FSLAX46Y46*%%MOMMM*%",
            "%FSLAX46Y46*%%MOFEET*%",
            "%FSLAX46Y46*%%MOMM*%%LPX*%",
            "%FSLAX46Y46*%%MOMM*%%LMZ*%")) {
      assertThatThrownBy(() -> Gerber.read("a", bytes(head + "M02*")))
          .as(head)
          .isInstanceOf(BoardFileDamage.class);
    }
  }
}
