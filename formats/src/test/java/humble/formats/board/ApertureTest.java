package humble.formats.board;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import humble.core.budget.Budget;
import humble.core.kit.PointMm;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ApertureTest {
  private static Aperture macro(String statement, Double... parameters) {
    return new Macro("M", List.of(statement.split("\\*")))
        .with(List.of(parameters), Budget.unlimited());
  }

  @Property
  void everyShapeIsAsWideAndHighAsItSays(
      @ForAll @DoubleRange(min = 0.1, max = 9) double width,
      @ForAll @DoubleRange(min = 0.1, max = 9) double height) {
    for (Aperture aperture :
        List.of(
            Aperture.rectangle(width, height),
            Aperture.circle(width),
            Aperture.obround(width, height))) {
      double[] box = aperture.extent();
      assertThat(box[2] - box[0]).isCloseTo(aperture.widthMm(), within(aperture.widthMm() * 0.02));
      assertThat(box[3] - box[1])
          .isCloseTo(aperture.heightMm(), within(aperture.heightMm() * 0.02));
    }
  }

  @Property
  void turningByAQuarterSwapsWidthAndHeight(
      @ForAll @DoubleRange(min = 0.1, max = 9) double width,
      @ForAll @DoubleRange(min = 0.1, max = 9) double height,
      @ForAll @IntRange(max = 3) int quarters) {
    Aperture turned = Aperture.rectangle(width, height).changed(false, false, 90 * quarters, 2);
    boolean swapped = quarters % 2 == 1;
    assertThat(turned.widthMm()).isCloseTo(2 * (swapped ? height : width), within(1e-9));
    assertThat(turned.heightMm()).isCloseTo(2 * (swapped ? width : height), within(1e-9));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          1,1,2,0,0                         | 2    | 2
          4,1,3,0,0,3,0,3,2,0,0,0           | 3    | 2
          5,1,4,0,0,2,0                     | 2    | 2
          7,0,0,4,3,0.5,0                   | 4    | 4
          20,1,0.5,-1,0,1,0,0               | 2    | 0.5
          21,1,3,1,0,0,90                   | 1    | 3
          21,1,1+2,(4-2)/2,0,0,0            | 3    | 1
          21,1,2x3-1,-1x-2,0,0,0            | 5    | 2
          """)
  void primitivesOfMacros(String statement, double width, double height) {
    Aperture aperture = macro(statement);
    assertThat(aperture.widthMm()).isCloseTo(width, within(0.05));
    assertThat(aperture.heightMm()).isCloseTo(height, within(0.05));
  }

  @Test
  void parametersAreTakenAndMissingOnesAreNought() {
    assertThat(macro("21,1,$1,$2,0,0,0", 3.0, 2.0).widthMm()).isEqualTo(3);
    assertThat(macro("21,1,$1+1,$2+1,$9,0,0", 3.0).heightMm()).isEqualTo(1);
    assertThat(macro("$4=$1x2*1,1,$4,0,0", 1.5).widthMm()).isCloseTo(3, within(1e-9));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "9,1,2",
        "1,1",
        "4,1,9,0,0,1,1",
        "21,1,(2,1,0,0,0",
        "1,1,2&3,0,0",
        "$x",
        "1,1,,0,0"
      })
  void aMacroThatMakesNoSenseIsSaid(String statement) {
    assertThatThrownBy(() -> macro(statement)).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void aBarLiesBetweenItsEnds() {
    assertThat(Macro.bar(0, 0, 2, 0, 1))
        .containsExactlyInAnyOrder(
            new PointMm(0, 0.5), new PointMm(0, -0.5), new PointMm(2, -0.5), new PointMm(2, 0.5));
  }
}
