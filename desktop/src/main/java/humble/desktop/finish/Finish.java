package humble.desktop.finish;

import humble.core.build.Build;
import humble.core.kit.Calibration;
import humble.core.kit.Finishing;
import humble.core.kit.Proof;
import humble.core.kit.Trim;
import humble.desktop.hand.Seat;
import humble.desktop.hand.StopHand;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What of a kit is to be trimmed, calibrated and proved, and whose turn it is. */
public record Finish(Seat seat, OpenBuild open) {
  private record Next(String id, List<String> after, boolean over, String title, Turn turn) {}

  private List<Next> all() {
    List<Next> all = new ArrayList<>();
    Finishing finishing = open.kit().finishing();
    Build build = open.build();
    for (Trim trim : finishing.trims()) {
      all.add(
          new Next(
              trim.id(),
              trim.after(),
              build.finished().isOver(trim.id()),
              trim.title(),
              new Turn(trim, () -> new TrimHand(seat, open, trim))));
    }
    for (Calibration each : finishing.calibrations()) {
      all.add(
          new Next(
              each.id(),
              each.after(),
              build.finished().isCalibrated(each),
              each.title(),
              new Turn(each, () -> new CalibrationHand(seat, open, each))));
    }
    for (Proof proof : finishing.proofs()) {
      all.add(
          new Next(
              proof.id(),
              proof.after(),
              build.finished().isOver(proof.id()),
              proof.title(),
              new Turn(proof, () -> new ProofHand(seat, open, proof))));
    }
    return all;
  }

  private boolean isPast(String id) {
    Build build = open.build();
    return build.awake().contains(id)
        || build.gateOpen(id)
        || build.doneSteps().contains(id)
        || isOver(id);
  }

  /** Tells whether a trim was left, a calibration done, or a proof read. */
  public boolean isOver(String id) {
    return all().stream().anyMatch(each -> each.id().equals(id) && each.over());
  }

  /** Gives the titles of all of it, with whether each is over. */
  public List<Row> rows() {
    return all().stream().map(each -> new Row(each.title(), each.over())).toList();
  }

  /** One of it, by its title. */
  public record Row(String title, boolean over) {}

  /** Gives whose turn it is; empty when all is over, or waits for what never came. */
  public Optional<Turn> turn() {
    return all().stream()
        .filter(each -> !each.over())
        .filter(each -> each.after().stream().allMatch(this::isPast))
        .findFirst()
        .map(each ->
            StopHand.before(
                    List.of(each.id()),
                    seat,
                    open,
                    seat.say("finish.kicker"),
                    each.title(),
                    () -> each.turn().hand().get().mat())
                .orElse(each.turn()));
  }
}
