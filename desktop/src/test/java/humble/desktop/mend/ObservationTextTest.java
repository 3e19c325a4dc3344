package humble.desktop.mend;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.mend.Sight;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

class ObservationTextTest {
  private static final Parts BADGE =
      Parts.of(
          ((KitRead.Opened)
                  KitFolder.at(Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth"))
                      .read())
              .kit());
  private static final BoardState LIT = BADGE.kit().state("lamp1").orElseThrow();

  /** What the bench measures is written so that it reads back as the same, digit by digit. */
  @Test
  void everyObservationReadsBackAsWritten() {
    List<Observation> observations =
        List.of(
            new Observation.Reading(new Measure.Volts("VBUS"), 4.98, 0.01),
            new Observation.Reading(new Measure.Volts("U1.10"), -0.012, 0.001),
            new Observation.Reading(new Measure.Amps("usb"), 0.0251, 1e-4),
            new Observation.Reading(new Measure.Ohms("VBUS", "GND"), 12340, 10),
            new Observation.Reading(new Measure.Ohms("VBUS", "GND"), Double.POSITIVE_INFINITY, 0));
    for (Observation each : observations) {
      String text = ObservationText.of(each);
      Observation.Reading back =
          (Observation.Reading) Observation.reading(text, BADGE, LIT).orElseThrow();
      Observation.Reading was = (Observation.Reading) each;
      assertThat(back.measure()).as(text).isEqualTo(was.measure());
      if (Double.isInfinite(was.value())) {
        assertThat(back.value()).isInfinite();
      } else {
        assertThat(back.value())
            .as(text)
            .isCloseTo(was.value(), org.assertj.core.api.Assertions.within(was.lastDigit() / 2));
      }
    }
    Observation dark = new Observation.Seen(Sight.DARK, "LED5");
    assertThat(Observation.seen(ObservationText.of(dark), BADGE)).contains(dark);
  }

  @Test
  void peopleReadUnitsAndPrefixes() {
    assertThat(ObservationText.plain("V(VBUS)=4.98")).isEqualTo("V(VBUS) = 4.98 V");
    assertThat(ObservationText.plain("I(usb)=25.1m")).isEqualTo("I(usb) = 25.1 mA");
    assertThat(ObservationText.plain("R(A,B)=4.7k")).isEqualTo("R(A,B) = 4.7 kΩ");
    assertThat(ObservationText.plain("R(A,B)=open")).isEqualTo("R(A,B) = open");
    assertThat(ObservationText.plain("dark:LED5")).isEqualTo("dark: LED5");
  }
}
