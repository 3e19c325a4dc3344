package humble.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class BatchCheckTest {
  private static final double[] NOMINALS = {10, 22, 47, 100, 220, 33, 68, 150};

  private static List<BatchCheck.Reading> readings(double scale, double offset) {
    List<BatchCheck.Reading> readings = new ArrayList<>();
    for (double nominal : NOMINALS) {
      double value = nominal * scale + offset;
      readings.add(new BatchCheck.Reading(nominal, value, Meter.USUAL.uncertainty(value, 0.1)));
    }
    return readings;
  }

  @Test
  void aConstantTooMuchIsTheLeads() {
    Phrase phrase = BatchCheck.suspect(readings(1, 2.5)).orElseThrow();
    assertThat(phrase.key()).isEqualTo("stock.batch.leads");
    assertThat((Double) phrase.arguments().getFirst()).isEqualTo(2.5);
  }

  @Test
  void aConstantShareIsTheMeter() {
    assertThat(BatchCheck.suspect(readings(1.04, 0)).orElseThrow().key())
        .isEqualTo("stock.batch.meter");
    assertThat(BatchCheck.suspect(readings(0.96, 0)).orElseThrow().arguments()).contains(0);
  }

  @Test
  void fourAreNotEnoughAndOneGoodOneClears() {
    List<BatchCheck.Reading> readings = readings(1.04, 0);
    assertThat(BatchCheck.suspect(readings.subList(0, 4))).isEmpty();
    List<BatchCheck.Reading> cleared = new ArrayList<>(readings);
    cleared.add(new BatchCheck.Reading(100, 100, 0.7));
    assertThat(BatchCheck.suspect(cleared)).isEmpty();
  }

  @Test
  void partsOfOnePercentSeldomRaiseIt() {
    Random random = new Random(7);
    int raised = 0;
    for (int batch = 0; batch < 1000; batch++) {
      List<BatchCheck.Reading> readings = new ArrayList<>();
      for (int i = 0; i < BatchCheck.RUN; i++) {
        double value = 10_000 * (1 + 0.004 * random.nextGaussian());
        readings.add(new BatchCheck.Reading(10_000, value, Meter.USUAL.uncertainty(value, 10)));
      }
      raised += BatchCheck.suspect(readings).isPresent() ? 1 : 0;
    }
    assertThat(raised).isLessThan(10);
  }

  @Test
  void aProfileAnswersWithTheRangeOfTheReading() {
    MeterProfile profile = MeterProfile.parse("200:0.8%+3@0.1,2k:0.5%+1@1,2%+5@10").orElseThrow();
    assertThat(profile.at(150)).isEqualTo(new Meter(0.8, 3, 0.1));
    assertThat(profile.at(200)).isEqualTo(new Meter(0.8, 3, 0.1));
    assertThat(profile.at(201)).isEqualTo(new Meter(0.5, 1, 1));
    assertThat(profile.at(1e6)).isEqualTo(new Meter(2, 5, 10));
    assertThat(MeterProfile.parse("2k:1%+1@1,200:1%+1@1")).isEmpty();
    assertThat(MeterProfile.parse("much")).isEmpty();
    assertThat(MeterProfile.parse("pocket")).isPresent();
    assertThatThrownBy(() -> new MeterProfile("x", List.of()))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
