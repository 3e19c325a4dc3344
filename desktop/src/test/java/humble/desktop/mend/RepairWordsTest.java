package humble.desktop.mend;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.circuit.Fault;
import humble.core.kit.Parts;
import humble.core.words.Words;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RepairWordsTest {
  private static List<String> lines(String fault) {
    Path kit = Path.of(System.getProperty("humble.root", "..")).resolve("kits/glowmoth");
    if (KitFolder.at(kit).read() instanceof KitRead.Opened opened) {
      Words words = Words.of("humble.desktop.desktop", Locale.ENGLISH);
      return new RepairWords(Parts.of(opened.kit()), words).of(Fault.parse(fault).orElseThrow());
    }
    throw new AssertionError("the badge cannot be read");
  }

  @ParameterizedTest
  @CsvSource({
    "open:R3.2, R3 pin 2",
    "short:C1.1-C1.2, C1 pin 1",
    "reversed:D1, Fit D1 the other way round",
    "reversed:C1, A new one for C1",
    "reversed:U1, Lift U1 by both ends",
    "swapped:R3-R7, each in its own place",
    "value:R3=4k7, as R3",
    "missing:R3, Fit R3",
    "dead:U1, A new one for U1",
    "dead:Q1, Fit a new one for Q1"
  })
  void everyFaultIsMendedWithThePowerOff(String fault, String says) {
    List<String> lines = lines(fault);
    assertThat(lines.getFirst()).startsWith("Power off.");
    assertThat(String.join(" ", lines)).contains(says).doesNotContain("{", "mend.repair");
  }
}
