package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Finding;
import humble.core.kit.KitFault;
import humble.core.units.Band;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class KitFaultTest {
  @TempDir Path folder;

  private KitRead read(String faults, String line) throws IOException {
    Files.writeString(
        folder.resolve("kit.json"),
        """
        {"format":"humble-kit/1","id":"x","name":"x","kind":"module",
         "boards":[{"id":"main","width_mm":20,"height_mm":20}],
         "lines":[{"id":"f","kind":"fuse","package":"axial-quarter-watt","refs":["F1"],"supplied":1%s}],
         "states":[{"id":"on","share":0.25}],
         "faults":%s}
        """
            .formatted(line, faults));
    return KitFolder.at(folder).read();
  }

  @Test
  void faultsSharesAndGreatestCurrentsAreRead() throws IOException {
    KitRead.Opened opened =
        (KitRead.Opened)
            read(
                """
                [{"id":"cable","title":"No data wires","prior":0.02,"seen":["dark:F1"],
                  "predict":{"V(5V)":{"low":4.75,"high":5.25}},"try":"another cable","minutes":2}]
                """,
                ",\"max_ma\":250");
    KitFault fault = opened.kit().faults().getFirst();
    assertThat(fault.predict()).containsEntry("V(5V)", new Band(4.75, 5.25));
    assertThat(fault.seen()).containsExactly("dark:F1");
    assertThat(fault.tryThis()).isEqualTo("another cable");
    assertThat(fault.prior()).isEqualTo(0.02);
    assertThat(opened.kit().lines().getFirst().maxMa()).isEqualTo(250);
    assertThat(opened.kit().states().getFirst().share()).isEqualTo(0.25);
    assertThat(opened.findings()).isEmpty();
  }

  @Test
  void whatCannotBeIsToldWithItsPlace() throws IOException {
    KitRead.Refused refused =
        (KitRead.Refused)
            read(
                """
                [{"id":"a","prior":1.5,"predict":{"V(5V)":{"low":6,"high":5}}}]
                """,
                ",\"max_ma\":0");
    assertThat(refused.findings().stream().map(Finding::where))
        .containsExactlyInAnyOrder(
            "kit.json#/faults/0/prior",
            "kit.json#/faults/0/predict/V(5V)/low",
            "kit.json#/lines/0/max_ma");
  }
}
