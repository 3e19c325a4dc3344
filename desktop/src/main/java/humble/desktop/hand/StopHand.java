package humble.desktop.hand;

import humble.core.craft.Stop;
import humble.core.kit.Caution;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import java.util.Collection;
import java.util.Optional;
import java.util.function.Supplier;

/** A caution that says stop: nothing goes on before it is acknowledged. */
public final class StopHand extends Hand {
  private final OpenBuild open;
  private final Stop stop;
  private final String kicker;
  private final String title;
  private final Supplier<Mat> picture;

  private StopHand(
      Seat seat, OpenBuild open, Stop stop, String kicker, String title, Supplier<Mat> picture) {
    super(seat);
    this.open = open;
    this.stop = stop;
    this.kicker = kicker;
    this.title = title;
    this.picture = picture;
  }

  /** Gives the turn of the first such caution at one of {@code names}; empty when there is none. */
  public static Optional<Turn> before(
      Collection<String> names,
      Seat seat,
      OpenBuild open,
      String kicker,
      String title,
      Supplier<Mat> picture) {
    return open.stopBefore(names)
        .map(stop -> new Turn(stop, () -> new StopHand(seat, open, stop, kicker, title, picture)));
  }

  /** Gives the turn of a caution that follows from what is in hand; empty once it is known. */
  public static Optional<Turn> of(
      Caution caution,
      Seat seat,
      OpenBuild open,
      String kicker,
      String title,
      Supplier<Mat> picture) {
    return open.build().acknowledged().contains(caution.at())
        ? Optional.empty()
        : Optional.of(
            new Turn(
                caution,
                () ->
                    new StopHand(
                        seat, open, new Stop(caution.at(), caution), kicker, title, picture)));
  }

  @Override
  public Card card() {
    return StopCard.of(seat.card(kicker, title), stop, open, typed(), seat.words());
  }

  @Override
  public Mat mat() {
    return picture.get();
  }
}
