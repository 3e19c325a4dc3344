package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Calibration;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.core.kit.Proof;
import humble.core.kit.Trim;
import humble.core.trim.Goal;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Trims, calibrations and proofs of a kit file. */
class FinishingJsonTest {
  @TempDir Path folder = Path.of("");

  private KitRead read(String finishing) throws IOException {
    Files.writeString(
        folder.resolve("kit.json"),
        """
        {"format":"humble-kit/1","id":"t","name":"T","lines":[
          {"id":"rv","kind":"trimmer","value":"10k","package":"trimmer-6","refs":["RV1"]}],
        %s}
        """
            .formatted(finishing));
    return KitFolder.at(folder).read();
  }

  @Test
  void whatIsWrittenIsRead() throws IOException {
    KitRead read =
        read(
            """
            "loose":[{"id":"ref","name":"a known part","supplied":1}],
            "trims":[{"id":"null","title":"Null","knobs":[{"id":"T1","ref":"RV1","low":0,"high":1,
              "step":0.01,"turns":12},{"id":"T2"}],"reading":{"what":"J3","unit":"V","goal":"min",
              "step":0.01,"noise":0.002},"hint":"louder"},
              {"id":"lamp","knobs":[{"id":"T3","turns":0}],
               "reading":{"what":"mA","goal":12,"window":[11,13],"shown":"bars"}}],
            "calibrations":[{"id":"zero","steps":[{"do":"short","readings":3,"unit":"Ω","within":0.2},
              {"do":"warm","wait_s":60}]}],
            "proofs":[{"id":"c10n","title":"A known capacitor","kind":"capacitor","nominal":"10n",
              "tolerance_pct":1,"meter":"1%+2@10p","loose":"ref","terminals":["RV1.1","RV1.2"],
              "polarised":true,"after":["null","zero"]}]
            """);
    assertThat(read.findings()).filteredOn(Finding::isError).isEmpty();
    Kit kit = ((KitRead.Opened) read).kit();
    Trim trim = kit.finishing().trim("null").orElseThrow();
    assertThat(trim.knobs().getFirst().turns()).isEqualTo(12);
    assertThat(trim.knobs().getLast().turns()).isEqualTo(0.75);
    assertThat(trim.reading().goal()).isEqualTo(Goal.MIN);
    assertThat(trim.reading().noise()).isEqualTo(0.002);
    assertThat(trim.hint()).isEqualTo("louder");
    Trim lamp = kit.finishing().trim("lamp").orElseThrow();
    assertThat(lamp.reading().goal()).isEqualTo(new Goal.Reach(12));
    assertThat(lamp.reading().step()).as("a bar").isEqualTo(1);
    assertThat(lamp.isGood(12.9)).isTrue();
    Calibration zero = kit.finishing().calibration("zero").orElseThrow();
    assertThat(zero.steps())
        .extracting(Calibration.Step::doing)
        .containsExactly(Calibration.Doing.SHORT, Calibration.Doing.WARM);
    Proof proof = kit.finishing().proof("c10n").orElseThrow();
    assertThat(proof.nominal()).isEqualTo(10e-9);
    assertThat(proof.polarised()).isTrue();
    assertThat(proof.after()).containsExactly("null", "zero");
  }

  /** Every fault is told with its place, all at once; a key that nobody knows too. */
  @Test
  void everyFaultIsTold() throws IOException {
    KitRead read =
        read(
            """
            "trims":[{"id":"a","knobs":[],"reading":{"what":"x","goal":"least"}},
              {"id":"b","knobs":[{"id":"T","low":1,"high":1}],"reading":{"what":"x"}},
              {"id":"c","knobs":[{"id":"T"}]}],
            "calibrations":[{"id":"d","steps":[]},{"id":"e","steps":[{"do":"boil","readings":2}]}],
            "proofs":[{"id":"f","kind":"lamp","nominal":"-3","meter":"good","terminals":["RV1.1"],
              "twice":1}]
            """);
    assertThat(read.findings())
        .filteredOn(Finding::isError)
        .extracting(Finding::where)
        .contains(
            "kit.json#/trims/0/knobs",
            "kit.json#/trims/0/reading/goal",
            "kit.json#/trims/1/knobs/0/high",
            "kit.json#/trims/1/reading/goal",
            "kit.json#/trims/2/reading",
            "kit.json#/calibrations/0/steps",
            "kit.json#/calibrations/1/steps/0/do",
            "kit.json#/calibrations/1/steps/0/unit",
            "kit.json#/proofs/0/kind",
            "kit.json#/proofs/0/nominal",
            "kit.json#/proofs/0/meter",
            "kit.json#/proofs/0/terminals");
    assertThat(List.copyOf(read.findings()))
        .extracting(Finding::where)
        .contains("kit.json#/proofs/0/twice");
  }
}
