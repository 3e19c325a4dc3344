package humble.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.PartKind;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Names of footprints from the files of three programs, held against the pads in those files. */
class FootprintNameTest {
  private record Case(String name, String kind, int pins, double pitchMm) {}

  private static List<Case> cases() throws IOException {
    List<Case> cases = new ArrayList<>();
    try (InputStream in = FootprintNameTest.class.getResourceAsStream("/footprints.tsv")) {
      for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList()) {
        if (!line.startsWith("#")) {
          String[] cells = line.split("\t");
          cases.add(
              new Case(
                  cells[1], cells[2], Integer.parseInt(cells[3]), Double.parseDouble(cells[4])));
        }
      }
    }
    return cases;
  }

  /** Right and all, by what was said and how sure. */
  private static void count(
      Map<String, int[]> seen, String what, double confidence, boolean right) {
    int[] both =
        seen.computeIfAbsent(what + (confidence >= 0.9 ? " sure" : " likely"), k -> new int[2]);
    both[0] += right ? 1 : 0;
    both[1]++;
  }

  @Test
  void ofWhatIsGivenWithNineInTenNineInTenAreRight() throws Exception {
    Map<String, int[]> seen = new TreeMap<>();
    List<Case> cases = cases();
    for (Case each : cases) {
      FootprintName said = FootprintName.of(each.name());
      // What stands in a case for three legs, or on a bare chip size, no name tells.
      boolean judged = !each.kind().equals("transistor") && !each.kind().equals("chip");
      if (judged && said.kind().isPresent()) {
        count(
            seen, "kind", said.kindConfidence(), said.kind().get().text().startsWith(each.kind()));
      }
      if (said.pins().isPresent()) {
        count(seen, "pins", said.pinsConfidence(), said.pins().getAsInt() == each.pins());
      }
      if (said.pitchMm().isPresent() && each.pitchMm() > 0) {
        count(
            seen,
            "pitch",
            said.pitchConfidence(),
            Math.abs(said.pitchMm().getAsDouble() - each.pitchMm()) < 0.06);
      }
    }
    assertThat(cases).hasSizeGreaterThan(300);
    for (String what : List.of("kind sure", "pins sure", "pitch sure")) {
      int[] both = seen.get(what);
      assertThat(both[1]).as(what).isGreaterThan(100);
      assertThat((double) both[0] / both[1]).as(what).isGreaterThanOrEqualTo(0.9);
    }
    int[] likely = seen.get("pins likely");
    assertThat((double) likely[0] / likely[1]).as("pins likely").isBetween(0.75, 0.95);
  }

  @ParameterizedTest
  @CsvSource({
    "CP_Radial_D8.0mm_P3.50mm, capacitor-polarised, 2, 3.5",
    "Speaker_23mm, speaker, 2, ",
    "Capacitor_THT:C_Disc_D3.0mm_W1.6mm_P2.50mm, capacitor, 2, 2.5",
    "LED_D5.0mm, led, 2, 2.54",
    "DIP-28_W7.62mm, ic, 28, 2.54",
    "PinHeader_2x05_P2.54mm, header, 10, 2.54",
    "0805, , 2, ",
    "anything 23 mm, , , ",
    "R_2512_6332Metric, resistor, 2, "
  })
  void namesOfOtherPrograms(String name, String kind, Integer pins, Double pitch) {
    FootprintName said = FootprintName.of(name);
    assertThat(said.kind().map(PartKind::text).orElse(null)).isEqualTo(kind);
    assertThat(said.pins().isPresent() ? Integer.valueOf(said.pins().getAsInt()) : null)
        .isEqualTo(pins);
    assertThat(said.pitchMm().isPresent() ? Double.valueOf(said.pitchMm().getAsDouble()) : null)
        .isEqualTo(pitch);
  }

  @ParameterizedTest
  @CsvSource({
    "C5, 100uF, CP_Radial_D8.0mm_P3.50mm, capacitor-polarised, radial-8x12, 2",
    "LS1, , Speaker_23mm, speaker, speaker-23mm, 2",
    "C9, 22p, C050-025X075, capacitor, c050-025x075, 2",
    "R9, 220, 0207/10, resistor, axial-quarter-watt, 2",
    "C6, 47uF, CP_Radial_D5.0mm_P2.00mm, capacitor-polarised, radial-5x11, 2",
    "D1, red, LED_D5.0mm, led, led-5, 2",
    "C7, 10uF, Can_D5.0mm, capacitor-polarised, radial-5x11, 2",
    "J1, , PinHeader_2x05_P2.54mm_Vertical, header, header-2x5, 10"
  })
  void aRowWithSuchAName(
      String ref, String value, String footprint, String kind, String pack, int pins) {
    PartRow row =
        new PartRow(
            "list line 1",
            Map.of(
                Column.REFS,
                ref,
                Column.VALUE,
                value == null ? "" : value,
                Column.PACKAGE,
                footprint,
                Column.PIECES,
                "1"));
    Draft draft = Intake.draft("x", List.of(row), List.of(), Map.of());
    var line = draft.kit().lines().getFirst();
    assertThat(line.kind().text()).isEqualTo(kind);
    assertThat(line.packageId()).isEqualTo(pack);
    assertThat(
            PadPlaces.packageOf(line, Map.of()) == null
                ? draft.kit().packages().getFirst().pins()
                : PadPlaces.packageOf(line, Map.of()).pins())
        .hasSize(pins);
  }
}
