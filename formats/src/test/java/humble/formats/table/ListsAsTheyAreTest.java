package humble.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.github.miachm.sods.SpreadSheet;
import humble.core.budget.Budget;
import humble.core.intake.Column;
import humble.core.intake.Draft;
import humble.core.intake.Intake;
import humble.core.kit.Finding;
import humble.core.kit.Line;
import humble.core.kit.Mount;
import humble.core.kit.Place;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Tables as people and programs export them. */
class ListsAsTheyAreTest {
  @TempDir Path folder;

  private static PartsTable parts(String text) throws IOException {
    return PartsTable.parts(text, "list");
  }

  private static Draft draft(String text) throws IOException {
    return Intake.draft("x", parts(text).rows(), List.of(), Map.of());
  }

  private static String said(Line line) {
    return line.supplied()
        + " "
        + line.kind().text()
        + " "
        + line.value()
        + " "
        + String.join(" ", line.refs());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          PCB Footprint       | PACKAGE
          Part Value          | VALUE
          Part Number         | PART_NUMBER
          Case/Package        | PACKAGE
          Device              | KIND
          QTY per board       | PIECES
          Stückzahl           | PIECES
          Valor               | VALUE
          Fitted              | FITTED
          Populate            | FITTED
          DNP                 | LEAVE_OUT
          Ref/Designator      | REFS
          Value/Comment       | VALUE
          Qty/Quantity        | PIECES
          Footprint Name      | PACKAGE
          Component Value     | VALUE
          MPN                 | PART_NUMBER
          Qty. per PCB        | PIECES
          Cantidad            | PIECES
          Do Not Place        | LEAVE_OUT
          Populated?          | FITTED
          Bestückt            | FITTED
          """)
  void headings(String heading, String column) {
    assertThat(Column.named(heading))
        .hasValueSatisfying(c -> assertThat(c.name()).isEqualTo(column));
  }

  @Test
  void aRowNumberIsNoPartAndNotesAreKept() throws Exception {
    PartsTable table =
        parts(
            "Item,Ref/Designator,Value/Comment,Qty/Quantity,Notes\n1,\"R1, R2\",10k,2,keep flat\n"
                + "2,C1,100NF,1,\n3,U1,XQ955,1,goes in a socket\n");
    assertThat(table.problems()).isEmpty();
    assertThat(table.rows().getFirst().cells())
        .containsEntry(Column.DESCRIPTION, "keep flat")
        .containsEntry(Column.PIECES, "2")
        .doesNotContainKey(Column.ROW_NUMBER);
    assertThat(Intake.draft("x", table.rows(), List.of(), Map.of()).kit().lines())
        .extracting(ListsAsTheyAreTest::said)
        .containsExactly("2 resistor 10k R1 R2", "1 capacitor 100nF C1", "1 ic XQ955 U1");
  }

  @Test
  void aColumnThatIsNotUnderstoodIsSaidAndCanBeAssigned() throws Exception {
    String text = "Ref,Value,Drawer,Empty\nR1,1k,7,\nR2,2k,8,\n";
    assertThat(parts(text).problems())
        .singleElement()
        .satisfies(p -> {
          assertThat(p.level()).isEqualTo(Finding.Level.NOTE);
          assertThat(p.text())
              .startsWith("The column 'Drawer' is not understood; what 2 rows have");
          assertThat(p.where()).isEqualTo("list line 1");
        });
    PartsTable assigned =
        PartsTable.parts(text, "list", Map.of("drawer", Column.BAG), Budget.unlimited());
    assertThat(assigned.problems()).isEmpty();
    assertThat(assigned.rows().getFirst().cells()).containsEntry(Column.BAG, "7");
  }

  @Test
  void aNumberOfTheRowThatCountsNothingIsSaid() throws Exception {
    assertThat(parts("Nr,Ref,Value\n17,R1,1k\n4,R2,2k\n").problems())
        .singleElement()
        .satisfies(p -> assertThat(p.text()).startsWith("The column 'Nr' is not understood"));
    assertThat(parts("Nr,Ref,Value\n1,R1,1k\n2,R2,2k\n").problems()).isEmpty();
  }

  @Test
  void aPartThatHasNothingButItsNumberIsCalledByIt() throws Exception {
    assertThat(draft("Ref,Part Number,Qty\nU1,XQ955,1\n").kit().lines().getFirst().value())
        .isEqualTo("XQ955");
  }

  @Test
  void twoColumnsOfOneKindAreBothKept() throws Exception {
    assertThat(
            parts("Ref,Value,Comment,Description\nR1,1k,matched,thin\n").rows().getFirst().cells())
        .containsEntry(Column.VALUE, "1k")
        .containsEntry(Column.DESCRIPTION, "thin matched");
  }

  @ParameterizedTest
  @CsvSource({
    "Populate,1,true", "Populate,0,false", "Fitted,yes,true", "Fitted,No,false", "Fitted,DNP,false",
    "DNP,,true", "DNP,DNP,false", "DNP,no,true", "DNP,x,false", "Fit,not fitted,false"
  })
  void whatIsFittedIsKept(String heading, String cell, boolean kept) throws Exception {
    Draft draft =
        draft("Ref,Value," + heading + "\nR1,1k," + (cell == null ? "" : cell) + "\nR2,2k,\n");
    assertThat(draft.kit().lines().stream().anyMatch(line -> line.refs().contains("R1")))
        .isEqualTo(kept);
    assertThat(draft.problems().stream().anyMatch(p -> p.text().contains("leave this row out")))
        .isNotEqualTo(kept);
  }

  @Test
  void whetherARowIsFittedIsAskedWhereItCannotBeTold() throws Exception {
    Draft draft = draft("Ref,Value,Populate\nR1,1k,maybe\nR2,2k,1\n");
    assertThat(draft.kit().lines()).hasSize(2);
    assertThat(draft.problems())
        .anyMatch(p -> p.text().contains("cannot be told from 'maybe'; it is kept"));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "# Units: mil\nDesignator  Footprint   Mid X    Mid Y    Layer   Rotation  Comment\n"
            + "R1          0207        1000      500     Top     90        10k\n"
            + "R2          0207        1500      500     Bottom  0         10k\n",
        "## Unit = mm, Angle = deg.\n# Ref Val Package PosX PosY Rot Side\n"
            + "R1 10k 0207 25.4 12.7 90.0 top\nR2 10k 0207 38.1 12.7 0.0 bottom\n",
        "Placement of the lantern\nunits are inches\n\nRef,X,Y,Rot,Side\nR1,1.0,0.5,90,T\n"
            + "R2,1.5,0.5,0,B\n",
        "Ref      X (mil)   Y (mil)   Rotation   Side\n"
            + "R1        1000       500         90   top\n"
            + "R2        1500       500          0   bottom\n",
        "RefDes\tPosX\tPosY\tRot\tSide\nR1\t25.4mm\t12.7mm\t90\ttop\n"
            + "R2\t38.1mm\t12.7mm\t0\tbottom\n"
      })
  void placementsInAnyUnitAndWidth(String text) throws Exception {
    PartsTable table = PartsTable.places(text, "places");
    Draft draft =
        Intake.draft("x", parts("Ref,Value\nR1,10k\nR2,10k\n").rows(), table.rows(), Map.of());
    assertThat(draft.kit().places())
        .extracting(p ->
            p.ref()
                + " "
                + p.at().xMm()
                + " "
                + p.at().yMm()
                + " "
                + p.rotationDeg()
                + " "
                + p.side().text())
        .containsExactly("R1 25.4 12.7 90.0 top", "R2 38.1 12.7 0.0 bottom");
  }

  @Test
  void aListAlignedWithBlanks() throws Exception {
    Draft draft =
        draft(
            "Qty   Reference       Value    Package\n2     R1, R2          10k      axial\n"
                + "1     C1              100n     disc\n");
    assertThat(draft.kit().lines())
        .extracting(ListsAsTheyAreTest::said)
        .containsExactly("2 resistor 10k R1 R2", "1 capacitor 100n C1");
  }

  @Test
  void aChipOnTheCoordinatesOfASocketGoesIntoIt() throws Exception {
    PartsTable list =
        parts(
            "Ref,Value,Package,Type\nU1,XQ955,DIP-8,ic\nXU1,socket,DIP-8,socket\nU2,XQ956,DIP-8,ic\n");
    PartsTable places = PartsTable.places("Ref,X,Y\nU1,10,10\nXU1,10.01,10\nU2,30,10\n", "places");
    Draft draft = Intake.draft("x", list.rows(), places.rows(), Map.of());
    Map<String, Mount> mounts = new java.util.HashMap<>();
    for (Place place : draft.kit().places()) {
      mounts.put(place.ref(), place.mount());
    }
    assertThat(mounts).containsEntry("U1", Mount.SOCKETED).containsEntry("U2", Mount.FLUSH);
    assertThat(draft.guesses()).anyMatch(guess -> guess.value().equals("socketed"));
  }

  @Test
  void aPackageThatIsGuessedWrongMovesNoBoard() throws Exception {
    PartsTable places = PartsTable.places("Ref,X,Y\nX1,3,3\nR1,20,20\n", "places");
    for (String odd : List.of("Odd_Part_50", "Header_50", "")) {
      PartsTable list = parts("Ref,Value,Package\nX1,12MHz," + odd + "\nR1,1k,\n");
      Draft draft = Intake.draft("x", list.rows(), places.rows(), Map.of());
      assertThat(draft.kit().places().getFirst().at().xMm()).isEqualTo(3);
      assertThat(draft.kit().boards().getFirst().widthMm()).isLessThan(40);
    }
  }

  // ---- spreadsheets -----------------------------------------------------------------------

  private Path officeOpen() throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (var book = new org.dhatim.fastexcel.Workbook(bytes, "bench", "1.0")) {
      book.newWorksheet("cover");
      Worksheet sheet = book.newWorksheet("list");
      String[] heads = {"Ref", "Value", "Qty", "Notes"};
      for (int i = 0; i < heads.length; i++) {
        sheet.value(2, i, heads[i]);
      }
      sheet.value(3, 0, "R1, R2");
      sheet.value(3, 1, 220);
      sheet.value(3, 2, 2);
      sheet.value(3, 3, "two\nlines; \"quoted\"");
      sheet.value(5, 0, "C1");
      sheet.value(5, 1, "100n");
      sheet.value(5, 2, 1.0);
    }
    return Files.write(folder.resolve("list.xlsx"), bytes.toByteArray());
  }

  private Path openDocument() throws IOException {
    SpreadSheet book = new SpreadSheet();
    var sheet = new com.github.miachm.sods.Sheet("list", 6, 4);
    Object[][] cells = {
      {null, null, null, null},
      {null, null, null, null},
      {"Ref", "Value", "Qty", "Notes"},
      {"R1, R2", 220.0, 2.0, "two lines; \"quoted\""},
      {null, null, null, null},
      {"C1", "100n", 1.0, null}
    };
    sheet.getDataRange().setValues(cells);
    book.appendSheet(sheet);
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    book.save(bytes);
    return Files.write(folder.resolve("list.ods"), bytes.toByteArray());
  }

  @Test
  void spreadsheetsOfBothKindsReadAlike() throws Exception {
    for (Path file : List.of(officeOpen(), openDocument())) {
      String text = TableText.read(file, Budget.unlimited());
      PartsTable table = PartsTable.parts(text, "list");
      assertThat(table.problems()).isEmpty();
      assertThat(table.rows()).extracting("where").containsExactly("list line 4", "list line 6");
      assertThat(table.rows().getFirst().cells())
          .containsEntry(Column.VALUE, "220")
          .containsEntry(Column.PIECES, "2")
          .containsEntry(Column.DESCRIPTION, "two lines; \"quoted\"");
    }
  }

  @Test
  void aDamagedSpreadsheetIsRefusedInOneSentence() throws Exception {
    byte[] whole = Files.readAllBytes(officeOpen());
    for (int cut : new int[] {40, whole.length / 3, whole.length / 2, whole.length - 30}) {
      Path file = Files.write(folder.resolve("cut.xlsx"), java.util.Arrays.copyOf(whole, cut));
      assertThatThrownBy(
              () -> {
                String text = TableText.read(file, Budget.unlimited());
                PartsTable.parts(text, "list");
              })
          .isInstanceOf(IOException.class);
    }
    Path other = folder.resolve("other.xlsx");
    try (var zip = new java.util.zip.ZipOutputStream(Files.newOutputStream(other))) {
      zip.putNextEntry(new java.util.zip.ZipEntry("a.txt"));
      zip.closeEntry();
    }
    assertThatThrownBy(() -> TableText.read(other, Budget.unlimited()))
        .hasMessageContaining("an archive, but no spreadsheet");
  }
}
