package humble.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.Kit;
import humble.core.kit.Loose;
import humble.core.words.Words;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LooseReasonTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          reference capacitor | 1 | 1 | wake        | stock.loose.calibration
          small capacitor     | 1 | 1 | calibration | stock.loose.calibration
          USB cable           | 0 | 1 | load        | stock.loose.bring
          USB cable           | 1 | 1 | load        | stock.loose.cable
          neck cord           | 1 | 1 | close       | stock.loose.cable
          odd screw           | 2 | 0 | close       | stock.loose.spare
          screws M2.5         | 8 | 8 | close       | stock.loose.used
          """)
  void whyItIsThere(String name, int supplied, int needed, String use, String key) {
    Kit kit = KitMaker.kit().make();
    var phrase = LooseReason.of(kit, new Loose("x", name, supplied, needed, List.of(use)));
    assertThat(phrase.key()).isEqualTo(key);
    assertThat(Words.core(Locale.ENGLISH).say(phrase)).contains(name).doesNotContain("{");
  }
}
