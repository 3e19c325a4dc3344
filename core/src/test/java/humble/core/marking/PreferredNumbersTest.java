package humble.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Values from the tables of IEC 60063:2015. */
class PreferredNumbersTest {
  @ParameterizedTest
  @CsvSource({
    "1000,E3",
    "220,E3",
    "4.7,E3",
    "1500,E6",
    "0.33,E6",
    "12,E12",
    "8200,E12",
    "11,E24",
    "91000,E24",
    "105,E48",
    "9530,E48",
    "1.02,E96",
    "976,E96",
    "101,E192",
    "9.2,E192",
    "988,E192"
  })
  void namesTheCoarsestSeries(double value, String series) {
    assertThat(PreferredNumbers.coarsestSeries(value)).contains(series);
  }

  @ParameterizedTest
  @CsvSource({"103", "919", "0", "-47", "47.3", "Infinity"})
  void knowsWhatIsInNone(double value) {
    assertThat(PreferredNumbers.coarsestSeries(value)).isEmpty();
  }

  @Test
  void theSeriesHaveTheirNumberOfMembers() {
    long fine =
        IntStream.range(100, 1000)
            .filter(i ->
                PreferredNumbers.coarsestSeries(i)
                    .map(s ->
                        !s.equals("E24") && !s.equals("E12") && !s.equals("E6") && !s.equals("E3"))
                    .orElse(false))
            .count();
    long coarse =
        IntStream.range(100, 1000)
                .filter(i -> PreferredNumbers.coarsestSeries(i).isPresent())
                .count()
            - fine;
    assertThat(coarse).isEqualTo(24);
    // Of the 192 fine numbers, those that E24 holds as well are named by E24.
    long shared =
        IntStream.range(100, 1000)
            .filter(i -> PreferredNumbers.coarsestSeries(i).isPresent())
            .filter(i ->
                Math.round(100 * Math.pow(10, Math.round(192 * Math.log10(i / 100.0)) / 192.0))
                    == i)
            .filter(i ->
                PreferredNumbers.coarsestSeries(i).orElse("").length() < 4
                    && !PreferredNumbers.coarsestSeries(i).orElse("").matches("E48|E96"))
            .count();
    assertThat(fine + shared).isEqualTo(192);
  }
}
