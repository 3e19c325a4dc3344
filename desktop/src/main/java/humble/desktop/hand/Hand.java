package humble.desktop.hand;

import humble.desktop.draw.Mat;
import humble.desktop.session.Errand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Typed;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** One thing to do: its card with its keys, and its picture. */
public abstract class Hand {
  protected final Seat seat;
  private final List<Errand<?>> errands = new ArrayList<>();

  protected Hand(Seat seat) {
    this.seat = seat;
  }

  /** Gives the card: what to do, and every key with what it does. */
  public abstract Card card();

  /** Gives the picture. */
  public abstract Mat mat();

  /** Tells whether a hand that a key laid over the row lies there no longer. */
  public boolean over() {
    return false;
  }

  /** Takes a click on what the mat calls {@code spot}. */
  public void pick(String spot) {}

  /** Pulls the picture by so many pixels; tells whether it follows. */
  public boolean pull(double dx, double dy) {
    return false;
  }

  /** Takes a click beside everything that the mat names, in pixels of the mat. */
  public void point(double x, double y) {}

  /** Follows the pointer over the mat; tells whether the picture changes with it. */
  public boolean hover(double x, double y) {
    return false;
  }

  /** Turns the wheel over the picture, up or down. */
  public void wheel(boolean up) {}

  /** Tells that it is left: what it asked of the background is called off. */
  public void left() {
    errands.forEach(Errand::cancel);
    errands.clear();
  }

  /** Takes work in the background for its own: it ends with the hand. */
  protected final <T> Errand<T> own(Errand<T> errand) {
    errands.removeIf(each -> !each.isRunning());
    errands.add(errand);
    return errand;
  }

  /** Gives one sentence about work of its own that failed; empty when none did. */
  final Optional<String> failed() {
    return errands.stream().flatMap(errand -> errand.failed().stream()).findFirst();
  }

  /** Gives what is typed. */
  protected final Typed typed() {
    return seat.typed();
  }

  /** Gives a text of the window. */
  protected final String say(String key, Object... details) {
    return seat.say(key, details);
  }
}
