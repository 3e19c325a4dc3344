package humble.desktop.unpack;

import humble.core.build.BuildEvent;
import humble.core.host.HostSurvey;
import humble.core.kit.Board;
import humble.core.kit.LookOver;
import humble.core.stock.Stocktake;
import humble.desktop.hand.HandStage;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Desk;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/**
 * Counts what is in the bag, cup by cup; before it the host board of a conversion is checked, after
 * it strips are snapped and the bare board is looked over.
 */
public final class UnpackStage extends HandStage {
  private final OpenBuild open;
  private final Path home;
  private final Bag bag;
  private String picked = "";

  /**
   * Makes the stage.
   *
   * @param home folder of the bench, for what is printed
   */
  public UnpackStage(OpenBuild open, Desk desk, Path home) {
    super(desk);
    this.open = open;
    this.home = home;
    this.bag = new Bag(seat, open);
  }

  @Override
  protected Turn turn() {
    return seen()
        .or(this::host)
        .or(this::survey)
        .or(this::cup)
        .or(this::snap)
        .or(this::look)
        .or(this::supply)
        .or(this::dangers)
        .orElseGet(() -> new Turn("counted", () -> new CountedHand(bag, home)));
  }

  private Optional<Turn> host() {
    boolean fits = open.build().host().map(BuildEvent.HostRead::fits).orElse(false);
    return open.kit().hosts().isEmpty() || fits
        ? Optional.empty()
        : Optional.of(new Turn("host", () -> new HostHand(seat, open)));
  }

  private record Surveyed(String ref) {}

  private Optional<Turn> survey() {
    List<HostSurvey.Spot> spots = HostSurvey.of(open.parts());
    for (int i = 0; i < spots.size(); i++) {
      int index = i;
      String ref = spots.get(i).ref();
      if (!open.build().surveyed().containsKey(ref)) {
        return Optional.of(
            new Turn(new Surveyed(ref), () -> new SurveyHand(seat, open, spots, index)));
      }
    }
    return Optional.empty();
  }

  private Optional<Turn> cup() {
    List<Stocktake.Item> left = bag.left();
    return left.stream()
        .filter(item -> item.id().equals(picked))
        .findFirst()
        .or(() -> left.stream().findFirst())
        .map(item -> new Turn(item, () -> new CupHand(bag, item)));
  }

  private Optional<Turn> snap() {
    return Progress.toSnap(open).stream()
        .filter(strips -> !open.build().snapped().contains(strips.pieces().getFirst().line()))
        .findFirst()
        .map(strips -> new Turn(strips, () -> new SnapHand(seat, open, strips)));
  }

  /** What another hand fitted is looked at before anything is added. */
  private Optional<Turn> seen() {
    List<String> refs = SeenHand.next(open);
    return refs.isEmpty()
        ? Optional.empty()
        : Optional.of(new Turn(refs, () -> new SeenHand(seat, open, refs)));
  }

  private Optional<Turn> dangers() {
    return open.asksOfDangers()
        ? Optional.of(
            new Turn(
                "dangers",
                () -> new DangersHand(seat, open, () -> new CountedHand(bag, home).mat())))
        : Optional.empty();
  }

  private Optional<Turn> supply() {
    return SupplyHand.isOpen(open)
        ? Optional.of(new Turn("supply", () -> new SupplyHand(bag)))
        : Optional.empty();
  }

  private record Spot(String board, String spot) {}

  private Optional<Turn> look() {
    for (Board board : open.kit().boards()) {
      List<LookOver.Spot> spots = LookOver.of(open.parts(), board);
      for (int i = 0; i < spots.size(); i++) {
        int index = i;
        String spot = spots.get(i).id();
        if (!open.build().lookedOver().containsKey(board.id() + "/" + spot)) {
          return Optional.of(
              new Turn(
                  new Spot(board.id(), spot), () -> new LookHand(seat, open, board, spots, index)));
        }
      }
    }
    return Optional.empty();
  }

  /** A cup that is clicked is counted next. */
  @Override
  public void pick(String spot) {
    if (spot.startsWith("cup:")) {
      picked = spot.substring("cup:".length());
    } else {
      super.pick(spot);
    }
  }
}
