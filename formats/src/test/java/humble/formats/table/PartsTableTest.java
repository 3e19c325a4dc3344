package humble.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.budget.Budget;
import humble.core.intake.Column;
import humble.core.intake.Draft;
import humble.core.intake.Intake;
import humble.core.intake.PartRow;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PartsTableTest {
  private static List<PartRow> rows(String text) throws IOException {
    return PartsTable.parts(text, "list.csv").rows();
  }

  private static String cell(PartRow row, Column column) {
    return row.cells().getOrDefault(column, "");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Ref,Value,Qty\n\"C1, C2\",100n,2\nR1,\"10k\",1\n",
        "Ref;Value;Qty\nC1, C2;100n;2\nR1;10k;1\n",
        "Ref\tValue\tQty\nC1, C2\t100n\t2\nR1\t10k\t1\n",
        "Ref|Value|Qty\r\nC1, C2|100n|2\r\nR1|10k|1\r\n",
        "'Ref','Value','Qty'\n'C1, C2','100n','2'\n'R1','10k','1'\n",
        "sep=;\nBezeichner;Wert;Menge\n\"C1, C2\";\"100n\";2\nR1;10k;1\n",
        "The tide clock, parts\n\n;;\nDesignator;Value;Pieces\nC1, C2;100n;2\nR1;10k;1\n",
        "C1 C2;100n;2\nR1;10k;1\n",
      })
  void anyDialect(String text) throws IOException {
    List<PartRow> rows = rows(text);
    assertThat(rows).hasSize(2);
    assertThat(cell(rows.get(0), Column.REFS).replace(",", "")).isEqualTo("C1 C2");
    assertThat(cell(rows.get(0), Column.VALUE)).isEqualTo("100n");
    assertThat(cell(rows.get(0), Column.PIECES)).isEqualTo("2");
    assertThat(cell(rows.get(1), Column.VALUE)).isEqualTo("10k");
  }

  @ParameterizedTest
  @ValueSource(strings = {"UTF-8", "UTF-16", "UTF-16LE", "UTF-16BE", "windows-1252"})
  void anyEncoding(String charset) {
    String text = "Ref;Wert;Stück\nC1;4,7µF;1\n";
    assertThat(TableText.of(text.getBytes(Charset.forName(charset)))).isEqualTo(text);
    assertThat(TableText.of(("\ufeff" + text).getBytes(StandardCharsets.UTF_8))).isEqualTo(text);
  }

  @Test
  void aFileOverTwoHundredMegabytesIsRefusedUnread(@TempDir Path folder) throws IOException {
    Path file = folder.resolve("large.csv");
    try (RandomAccessFile large = new RandomAccessFile(file.toFile(), "rw")) {
      large.setLength(TableText.MOST_BYTES + 1);
    }
    assertThatThrownBy(() -> TableText.read(file, Budget.unlimited()))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("200 MB");
    assertThatThrownBy(() -> TableText.read(folder.resolve("none.csv"), Budget.unlimited()))
        .hasMessageContaining("does not exist");
    Files.delete(file);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "  \n", "a lone sentence\n", "one,two\nthree,four\n"})
  void aTableThatIsNoneIsRefusedWithItsPlace(String text) {
    assertThatThrownBy(() -> rows(text))
        .isInstanceOf(IOException.class)
        .hasMessageStartingWith("list.csv");
  }

  @Test
  void anOpenQuoteNamesItsLine() {
    assertThatThrownBy(() -> rows("Ref,Value\nR1,1k\nR2,\"2k\nR3,3k\n"))
        .hasMessage("list.csv line 3: A quote is opened here and never closed.");
  }

  @Test
  void linesAreThoseOfTheFileEvenAfterBreaksInQuotes() throws IOException {
    List<PartRow> rows = rows("Ref,Value,Note\nR1,1k,\"two\nlines\"\n\nR2,2k,\n");
    assertThat(rows)
        .extracting(PartRow::where)
        .containsExactly("list.csv line 2", "list.csv line 5");
  }

  @Test
  void placementsInMilsAndInches() throws IOException {
    PartsTable table =
        PartsTable.places(
            "Designator;Mid X (mil);Mid Y (inch);Rotation;Layer\nR1;1000;0,5;90;TopLayer\n",
            "p.csv");
    Draft draft = Intake.draft("x", rows("Ref,Value\nR1,1k\n"), table.rows(), Map.of());
    assertThat(draft.kit().places().getFirst().at().xMm()).isEqualTo(25.4);
    assertThat(draft.kit().places().getFirst().at().yMm()).isEqualTo(12.7);
    assertThatThrownBy(() -> PartsTable.places("Ref,X\nR1,2\n", "p.csv"))
        .hasMessageContaining("ref, x and y");
  }

  @Property(tries = 500)
  void aCellComesBackAsItWasAndNeverAsAFormula(@ForAll String text) {
    String written = CsvCell.write(text);
    assertThat(CsvCell.read(written)).isEqualTo(text);
    if (!written.isEmpty()) {
      assertThat("=+-@\t".indexOf(written.charAt(0))).isNegative();
    }
  }

  @Property(tries = 200)
  void noTextMakesItFallButWithASentence(@ForAll String text) {
    try {
      PartsTable table = PartsTable.parts(text, "t.csv");
      assertThat(table.rows()).allSatisfy(row -> assertThat(row.where()).startsWith("t.csv line"));
    } catch (IOException e) {
      assertThat(e.getMessage()).startsWith("t.csv");
    }
  }
}
