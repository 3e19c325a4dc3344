package humble.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.LeadClass;
import humble.core.kit.PartPackage;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class PadPackageTest {
  private static Draft draft(String ref, Optional<Side> side, double... xy) {
    Map<String, BoardFacts.Pad> pads = new LinkedHashMap<>();
    for (int i = 0; i < xy.length; i += 2) {
      pads.put(ref + "." + (i / 2 + 1), new BoardFacts.Pad(new PointMm(xy[i], xy[i + 1]), side));
    }
    BoardFacts facts = new BoardFacts(Optional.empty(), pads, Map.of());
    return Intake.draft("x", facts.rows(), List.of(), Map.of(), facts);
  }

  private static void liesOnItsPads(Draft draft, double... xy) {
    Place place = draft.kit().places().getFirst();
    PartPackage pack =
        draft.kit().packageNamed(draft.kit().lines().getFirst().packageId()).orElseThrow();
    assertThat(pack.pins()).hasSize(xy.length / 2);
    for (int i = 0; i < xy.length; i += 2) {
      PointMm pin = place.onBoard(pack.pin(Integer.toString(i / 2 + 1)).orElseThrow().at());
      assertThat(pin.distanceMm(new PointMm(xy[i], xy[i + 1]))).isLessThan(0.01);
    }
  }

  /** Two of the four pads fit a row of two; four of them are a row of four. */
  @Test
  void morePadsThanPinsMeanAnotherPackage() {
    double[] pads = {10, 5, 12.54, 5, 15.08, 5, 17.62, 5};
    Draft draft = draft("J1", Optional.empty(), pads);
    assertThat(draft.kit().lines().getFirst().packageId()).isEqualTo("header-1x4");
    liesOnItsPads(draft, pads);
  }

  @Test
  void whereNoKnownPackageFitsOneIsMade() {
    double[] pads = {10, 5, 13, 6.5, 10, 8};
    for (Side side : Side.values()) {
      Draft draft = draft("U1", Optional.of(side), pads);
      assertThat(draft.kit().lines().getFirst().packageId()).isEqualTo("pads-u1");
      assertThat(draft.kit().packages().getFirst().lead()).isEqualTo(LeadClass.SMD);
      assertThat(draft.kit().places().getFirst().side()).isEqualTo(side);
      assertThat(draft.guesses())
          .anyMatch(guess -> guess.key().equals("package") && guess.confidence() == 0.9);
      liesOnItsPads(draft, pads);
    }
  }
}
