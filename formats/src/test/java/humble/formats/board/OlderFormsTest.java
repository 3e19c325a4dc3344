package humble.formats.board;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import humble.core.budget.Budget;
import humble.core.kit.PointMm;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Forms that other programs write and older readers take: read as they mean it, or refused. */
class OlderFormsTest {
  private static final String HEAD = "%FSLAX24Y24*%\n%MOIN*%\n";

  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.ISO_8859_1);
  }

  private static Layer layer(String text) throws BoardFileDamage {
    return Gerber.read("a.gbr", bytes(text));
  }

  private static List<DrillFile.Hole> holes(String text) throws BoardFileDamage {
    return DrillFile.read("a.drl", bytes(text)).holes();
  }

  @Test
  void aRectangleOfOneNumberIsASquare() throws Exception {
    double[] box = layer(HEAD + "%ADD10R,0.100*%D10*X0Y0D03*M02*").extent().orElseThrow();
    assertThat(box[2] - box[0]).isEqualTo(2.54, within(1e-9));
    assertThat(box[3] - box[1]).isEqualTo(2.54, within(1e-9));
  }

  @Test
  void aHoleInAnApertureIsClear() throws Exception {
    Layer layer = layer(HEAD + "%ADD10C,0.1X0.04*%%ADD11R,0.1X0.1X0.02X0.06*%D10*X0Y0D03*M02*");
    Layer.Flash flash = (Layer.Flash) layer.marks().getFirst();
    assertThat(flash.aperture().outlines())
        .extracting(Aperture.Area::dark)
        .containsExactly(true, false);
    assertThat(flash.aperture().outlines().getLast().round().radiusMm())
        .isEqualTo(0.508, within(1e-9));
  }

  @Test
  void whatIsDrawnWithASquareHasSquareEnds() throws Exception {
    Layer layer = layer(HEAD + "%ADD10R,0.1X0.04*%D10*X0Y0D02*X5000D01*M02*");
    double[] box = layer.extent().orElseThrow();
    assertThat(box).containsExactly(new double[] {-1.27, -0.508, 13.97, 0.508}, within(1e-9));
  }

  @Test
  void aNegativeLayerIsDarkWhereItDrawsNothing() throws Exception {
    Layer layer = layer(HEAD + "%IPNEG*%%ADD10C,0.1*%D10*X0Y0D03*X10000Y10000D03*M02*");
    assertThat(layer.marks()).extracting(Layer.Mark::dark).containsExactly(true, false, false);
    assertThat(layer.marks().getFirst().extent()[0]).isLessThan(-1.27);
  }

  @Test
  void theCharactersOfAFileMayBeNamed() throws Exception {
    assertThat(layer("%ICAS*%" + HEAD + "%ADD10C,0.1*%D10*X0Y0D03*M02*").marks()).hasSize(1);
    assertThatThrownBy(() -> layer("%ICEB*%" + HEAD + "M02*")).hasMessageContaining("ICEB");
  }

  @Test
  void aLayerWithoutAUnitIsRefusedUntilSomebodySaysIt() throws Exception {
    String text = "%FSLAX24Y24*%\n%ADD10C,0.1*%D10*X10000Y0D03*M02*";
    assertThatThrownBy(() -> layer(text)).hasMessageContaining("millimetres or inches");
    Layer said = Gerber.read("a", bytes(text), LengthUnit.INCHES, Budget.unlimited());
    assertThat(((Layer.Flash) said.marks().getFirst()).at()).isEqualTo(new PointMm(25.4, 0));
    assertThat(layer("G70*%FSLAX24Y24*%\n%ADD10C,0.1*%D10*X10000Y0D03*M02*").marks()).hasSize(1);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          2,1,0.02,0,0,0.1,0,0*       | 2.54  | 0.508
          22,1,0.1,0.04,0,0,0*        | 2.54  | 1.016
          6,0,0,0.1,0.01,0.01,3,0.002,0.2,0* | 5.08 | 5.08
          """)
  void primitivesOfOlderMacros(String primitive, double width, double height) throws Exception {
    Layer layer = layer(HEAD + "%AMOLD*" + primitive + "%%ADD10OLD*%D10*X0Y0D03*M02*");
    Aperture aperture = ((Layer.Flash) layer.marks().getFirst()).aperture();
    assertThat(aperture.widthMm()).isEqualTo(width, within(1e-9));
    assertThat(aperture.heightMm()).isEqualTo(height, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({
    "%KO*%, KO", "%IR90*%, IR90", "%SFA2B2*%, SFA2B2", "%ASAYBX*%, ASAYBX",
    "%OFA1.0B0*%, OFA1.0B0", "%MIA1B0*%, MIA1B0", "%IOA1B1*%, IOA1B1", "%IFother.gbr*%, IF"
  })
  void whatWouldMoveTheDrawingIsRefusedByName(String command, String named) {
    assertThatThrownBy(() -> layer(HEAD + command + "%ADD10C,0.1*%D10*X0Y0D03*M02*"))
        .isInstanceOf(BoardFileDamage.class)
        .hasMessageContaining(named);
  }

  // ---- holes ------------------------------------------------------------------------------

  @Test
  void aDrillFileWithoutAUnitIsToldByItsToolsOrRefused() throws Exception {
    DrillFile inches =
        DrillFile.read("a", bytes("%\nT1C0.028\nT2C0.039\nT1\nX010000Y010000\nM30\n"));
    assertThat(inches.holes().getFirst().at()).isEqualTo(new PointMm(25.4, 25.4));
    assertThat(inches.notes()).anyMatch(note -> note.contains("can only be inches"));
    DrillFile mm = DrillFile.read("a", bytes("%\nT1C0.8\nT1\nX010.0Y010.0\nM30\n"));
    assertThat(mm.holes().getFirst().at()).isEqualTo(new PointMm(10, 10));
    assertThatThrownBy(() -> holes("%\nT1C0.2\nT2C0.4\nT1\nX1.0Y1.0\nM30\n"))
        .hasMessageContaining("millimetres or inches");
    assertThat(
            DrillFile.read(
                    "a",
                    bytes("%\nT1C0.2\nT2C0.4\nT1\nX1.0Y1.0\nM30\n"),
                    LengthUnit.MILLIMETRES,
                    Budget.unlimited())
                .holes())
        .hasSize(1);
  }

  /** An origin of nothing but zeros does not tell which zeros the others leave out. */
  @Test
  void anOriginOfZerosTellsNothing() throws BoardFileDamage {
    String file =
        """
        M48
        T01C.864
        %
        M71
        G93X000000Y000000
        T01
        X40500Y6270
        X37000Y8960
        Y14040
        M30
        """;
    List<DrillFile.Hole> holes =
        DrillFile.read("plated.ncd", file.getBytes(StandardCharsets.US_ASCII)).holes();
    assertThat(holes.getFirst().at().distanceMm(new PointMm(40.5, 6.27))).isLessThan(1e-9);
    assertThat(holes.getLast().at().distanceMm(new PointMm(37, 14.04))).isLessThan(1e-9);
  }

  @ParameterizedTest
  @CsvSource({
    "'METRIC,TZ', X1000Y2000, 1.0, 2.0", "'METRIC,LZ', X001Y002, 1.0, 2.0",
    "'METRIC,LZ,0000.00', X0010Y002, 10.0, 20.0", "'INCH,LZ', X01Y005, 25.4, 12.7",
    "'INCH,TZ', X10000Y5000, 25.4, 12.7", "M71, X001Y002, 1.0, 2.0"
  })
  void zerosAreThoseTheFileLeavesOut(String unit, String hole, double x, double y)
      throws Exception {
    PointMm at = holes("M48\n" + unit + "\nT1C0.8\n%\nT1\n" + hole + "\nM30\n").getFirst().at();
    assertThat(at.xMm()).isEqualTo(x, within(1e-9));
    assertThat(at.yMm()).isEqualTo(y, within(1e-9));
  }

  @Test
  void whichZerosAreLeftOutIsToldByTheNumbersAndNoted() throws Exception {
    DrillFile front = DrillFile.read("a", bytes("M48\nINCH\nT1C0.03\n%\nT1\nX10000Y500\nM30\n"));
    assertThat(front.holes().getFirst().at().xMm()).isEqualTo(25.4, within(1e-9));
    assertThat(front.notes()).hasSize(1);
    DrillFile behind = DrillFile.read("a", bytes("M48\nINCH\nT1C0.03\n%\nT1\nX01Y0005\nM30\n"));
    assertThat(behind.holes().getFirst().at().xMm()).isEqualTo(25.4, within(1e-9));
    assertThat(behind.notes()).hasSize(1);
    assertThat(
            DrillFile.read("a", bytes("M48\nINCH\nT1C0.03\n%\nT1\nX010000Y000500\nM30\n")).notes())
        .isEmpty();
  }

  @Test
  void routedSlotsAreSlots() throws Exception {
    List<DrillFile.Hole> holes =
        holes(
            "M48\nMETRIC\nT1C0.8\n%\nT1\nG00X1.0Y1.0\nM15\nG01X3.0Y1.0\nY2.0\nM17\n"
                + "G00X9.0Y9.0\nG05\nX5.0Y5.0\nM30\n");
    assertThat(holes).hasSize(3);
    assertThat(holes.get(0).to()).isEqualTo(new PointMm(3, 1));
    assertThat(holes.get(1).to()).isEqualTo(new PointMm(3, 2));
    assertThat(holes.get(2).at()).isEqualTo(holes.get(2).to()).isEqualTo(new PointMm(5, 5));
  }

  @Test
  void repeatsToolNoughtAndAnotherZero() throws Exception {
    assertThat(holes("M48\nMETRIC\nT0C0.8\n%\nT0\nX1.0Y1.0\nR3X2.0\nM30\n"))
        .extracting(hole -> hole.at().xMm())
        .containsExactly(1.0, 3.0, 5.0, 7.0);
    assertThat(holes("M48\nMETRIC\nT1C0.8\n%\nG93X10.0Y0\nT1\nX1.0Y1.0\nM30\n").getFirst().at())
        .isEqualTo(new PointMm(11, 1));
  }

  @ParameterizedTest
  @CsvSource({"G91", "M02X1.0Y1.0", "G02X1.0Y1.0A1.0", "M97", "G82X1.0Y1.0", "X1.0Y1.0Z3"})
  void whatWouldDrillOtherwiseIsRefused(String command) {
    assertThatThrownBy(() -> holes("M48\nMETRIC\nT1C0.8\n%\nT1\nX1.0Y1.0\n" + command + "\nM30\n"))
        .isInstanceOf(BoardFileDamage.class)
        .hasMessageStartingWith("a.drl line 7");
    assertThatThrownBy(() -> holes("M48\nMETRIC\nICI,ON\n%\nM30\n"))
        .hasMessageContaining("count from the last hole");
  }

  @Test
  void platingIsWhatTheFileSaysOfIt() throws Exception {
    DrillFile file =
        DrillFile.read(
            "a",
            bytes(
                "M48\n; #@! TF.FileFunction,MixedPlating,1,4\nMETRIC\n;TYPE=PLATED\nT1C0.8\n"
                    + ";TYPE=NON_PLATED\nT2C3.2\n%\nT1\nX1.0Y1.0\nT2\nX2.0Y2.0\nM30\n"));
    assertThat(file.holes())
        .extracting(DrillFile.Hole::plating)
        .containsExactly(DrillFile.Plating.PLATED, DrillFile.Plating.BARE);
    assertThat(file.last()).isEqualTo(4);
  }
}
