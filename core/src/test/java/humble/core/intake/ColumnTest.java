package humble.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ColumnTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          Reference Designator | REFS
          Ref.                 | REFS
          designator           | REFS
          Bezeichner           | REFS
          Repère               | REFS
          VALUE                | VALUE
          Wert                 | VALUE
          Foot-print           | PACKAGE
          Gehäuse              | PACKAGE
          Qty                  | PIECES
          Stück                | PIECES
          Quantité             | PIECES
          Do not fit           | LEAVE_OUT
          Tol. (%)             | TOLERANCE
          Colour code          | COLOURS
          X (mm)               | X
          Mid X                | X
          y_mm                 | Y
          Center-Y(mil)        | Y
          Rotation [deg]       | ROTATION
          Layer                | SIDE
          strip_of             | STRIP
          """)
  void headingsInManyWords(String heading, Column column) {
    assertThat(Column.named(heading)).contains(column);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "price", "supplier", "17", "(mm)", "inch"})
  void whatNamesNoColumn(String heading) {
    assertThat(Column.named(heading)).isEmpty();
  }

  @Test
  void unitsStandInBracketsOrAtTheEnd() {
    assertThat(Column.unitMm("X (mil)")).isEqualTo(0.0254);
    assertThat(Column.unitMm("pos_y mils")).isEqualTo(0.0254);
    assertThat(Column.unitMm("X [inch]")).isEqualTo(25.4);
    assertThat(Column.unitMm("x_in")).isEqualTo(25.4);
    assertThat(Column.unitMm("X (mm)")).isEqualTo(1);
    assertThat(Column.unitMm("Mid X")).isEqualTo(1);
  }
}
