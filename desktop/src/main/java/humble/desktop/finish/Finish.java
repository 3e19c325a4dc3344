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
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;

/** What of a kit is to be trimmed, calibrated and proved, and whose turn it is. */
public record Finish(Seat seat, OpenBuild open) {
  private static final String INSIDE = "inside";

  private record Next(String id, List<String> after, Standing standing, String title, Turn turn) {
    boolean over() {
      return standing != Standing.TO_DO;
    }
  }

  private List<Next> all() {
    List<Next> all = new ArrayList<>();
    Finishing finishing = open.kit().finishing();
    Build build = open.build();
    for (Trim trim : finishing.trims()) {
      all.add(
          new Next(
              trim.id(),
              trim.after(),
              build
                  .finished()
                  .left(trim.id())
                  .map(left -> left.reached() ? Standing.DONE : Standing.DEVIATED)
                  .orElse(Standing.TO_DO),
              trim.title(),
              new Turn(trim, () -> new TrimHand(seat, open, trim))));
    }
    for (Calibration each : finishing.calibrations()) {
      all.add(
          new Next(
              each.id(),
              each.after(),
              build.finished().isCalibrated(each) ? Standing.DONE : Standing.TO_DO,
              each.title(),
              new Turn(each, () -> new CalibrationHand(seat, open, each))));
    }
    for (Proof proof : finishing.proofs()) {
      all.add(
          new Next(
              proof.id(),
              proof.after(),
              build
                  .finished()
                  .proved(proof.id())
                  .map(read -> read.verdict().equals(INSIDE) ? Standing.DONE : Standing.DEVIATED)
                  .orElse(Standing.TO_DO),
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
        || build.finished().over(open.kit().finishing()).contains(id);
  }

  /** Gives the titles of all of it, with how each stands. */
  public List<Row> rows() {
    return all().stream().map(each -> new Row(each.title(), each.standing())).toList();
  }

  /** One of it, by its title. */
  public record Row(String title, Standing standing) {
    /** Tells whether it is over, whatever came of it. */
    public boolean over() {
      return standing != Standing.TO_DO;
    }
  }

  private boolean isReady(Next next) {
    return !next.over() && next.after().stream().allMatch(this::isPast);
  }

  /** Tells whether something else may be done, a peripheral that sleeps counted in. */
  boolean others(String id) {
    boolean wakes =
        open.kit().peripherals().stream()
            .filter(each -> !open.build().awake().contains(each.id()))
            .anyMatch(each -> each.after().stream().allMatch(this::isPast));
    return wakes || all().stream().anyMatch(each -> !each.id().equals(id) && isReady(each));
  }

  /** Gives what may be done now, in the kit's order, by its id. */
  public SequencedMap<String, Turn> ready() {
    SequencedMap<String, Turn> ready = new LinkedHashMap<>();
    all().stream().filter(this::isReady).forEach(each -> ready.put(each.id(), turn(each)));
    return ready;
  }

  private Turn turn(Next next) {
    return StopHand.before(
            List.of(next.id()),
            seat,
            open,
            seat.say("finish.kicker"),
            next.title(),
            () -> next.turn().hand().get().mat())
        .orElse(next.turn());
  }
}
