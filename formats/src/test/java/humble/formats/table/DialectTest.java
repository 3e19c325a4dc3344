package humble.formats.table;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.budget.Budget;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DialectTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '!',
      quoteCharacter = '$',
      textBlock =
          """
          a;b;c\\n1,5;2,5;3\\n4,5;5;6       ! ;
          a,b,c\\n1;2,x,3\\n4,5,6           ! ,
          "a;b";c\\n"1;2";3                 ! ;
          a|b\\n1|2                         ! |
          title only\\na,b,c\\n1,2,3\\n4,5,6 ! ,
          sep=|\\na,b|c,d\\n1|2             ! |
          """)
  void theSeparatorThatCutsLinesAlike(String text, char separator) {
    assertThat(Dialect.of(text.replace("\\n", "\n")).separator()).isEqualTo(separator);
  }

  @Provide
  Arbitrary<List<List<String>>> tables() {
    Arbitrary<String> cell =
        Arbitraries.strings().withChars("abR10 ,;'\"k\n").ofMinLength(1).ofMaxLength(6);
    return cell.list().ofSize(3).list().ofMinSize(2).ofMaxSize(6);
  }

  /** Whatever stands in the cells, a table written with quotes comes back cell by cell. */
  @Property
  void quotedCellsComeBack(@ForAll("tables") List<List<String>> table) throws IOException {
    StringBuilder text = new StringBuilder("sep=;\n");
    List<List<String>> wanted = new ArrayList<>();
    for (List<String> row : table) {
      text.append(
              String.join(";", row.stream().map(c -> '"' + c.replace("\"", "\"\"") + '"').toList()))
          .append('\n');
      wanted.add(row);
    }
    List<List<String>> read =
        new Dialect(';', '"')
            .rows(text.toString(), Budget.unlimited()).stream().map(Dialect.Row::cells).toList();
    assertThat(read).isEqualTo(wanted);
  }
}
