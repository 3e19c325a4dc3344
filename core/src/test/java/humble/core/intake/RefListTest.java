package humble.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RefListTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          R1-R4            | R1 R2 R3 R4
          R7..R9           | R7 R8 R9
          C1, C2           | C1 C2
          C1,C2;C5         | C1 C2 C5
          R1 - R3, R7      | R1 R2 R3 R7
          R1 to R3         | R1 R2 R3
          D1-3             | D1 D2 D3
          LED10…LED12      | LED10 LED11 LED12
          R1–R2            | R1 R2
          U1A              | U1A
          R1/R2 + R5       | R1 R2 R5
          """)
  void listsAsPeopleWriteThem(String text, String refs) {
    RefList read = RefList.read(text);
    assertThat(read.refs()).containsExactly(refs.split(" "));
    assertThat(read.problems()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          R1-C4     | 'R1-C4' runs from one kind of designator to another.
          R9-R2     | 'R9-R2' runs backwards.
          10k       | '10k' is no designator such as R1.
          R1 R1     | R1 is listed twice.
          R1-R99999 | 'R1-R99999' runs over more than 2000 designators.
          """)
  void whatIsNoListIsSaid(String text, String problem) {
    assertThat(RefList.read(text).problems()).containsExactly(problem);
  }

  @Property
  void aRangeHoldsEveryNumberOnce(
      @ForAll @IntRange(min = 1, max = 300) int from,
      @ForAll @IntRange(min = 0, max = 300) int more) {
    List<String> each = IntStream.rangeClosed(from, from + more).mapToObj(i -> "R" + i).toList();
    assertThat(RefList.read("R" + from + "-R" + (from + more)).refs()).isEqualTo(each);
    assertThat(RefList.read(String.join(", ", each)).refs()).isEqualTo(each);
  }

  @Test
  void manyDesignatorsDoNotGrowWithoutBound() {
    String text =
        String.join(
            " ", IntStream.range(0, 20).mapToObj(i -> "R" + i + "000-R" + i + "999").toList());
    assertThat(RefList.read(text).problems()).last().asString().startsWith("More than 10000");
  }
}
