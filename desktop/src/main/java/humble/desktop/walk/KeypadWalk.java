package humble.desktop.walk;

import humble.core.kit.Peripheral;
import humble.core.wake.DisplaySetting;
import humble.core.wake.Pose;
import humble.desktop.keys.BenchKeys;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.desktop.window.BenchWindow;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * Takes a build through the window with keypad keys alone, on the practice bench. It reads the card
 * as a person does: Enter when Enter is offered, digits when marks or a picture are asked for. On
 * the interface thread.
 */
public final class KeypadWalk {
  private final BenchKeys window;
  private final Consumer<KeyCode> press;

  /** Makes a walk through {@code window}, whose keys go to {@code scene}. */
  public KeypadWalk(BenchWindow window, Scene scene) {
    this(window.keys(), key -> fire(scene, key));
  }

  /** Makes a walk through {@code keys}, which are pressed by {@code press}. */
  public KeypadWalk(BenchKeys keys, Consumer<KeyCode> press) {
    this.window = keys;
    this.press = press;
  }

  private static void fire(Scene scene, KeyCode key) {
    scene
        .getRoot()
        .fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", key, false, false, false, false));
    scene
        .getRoot()
        .fireEvent(new KeyEvent(KeyEvent.KEY_RELEASED, "", "", key, false, false, false, false));
  }

  /** Presses one key of the keypad. */
  public void press(KeyCode key) {
    press.accept(key);
  }

  /** Presses the keys of a number. */
  public void number(String digits) {
    for (char digit : digits.toCharArray()) {
      press(digit == '.' ? KeyCode.DECIMAL : KeyCode.valueOf("NUMPAD" + digit));
    }
  }

  /**
   * Presses what the card asks for next; false while it waits for something that is being worked
   * out.
   */
  public boolean step() {
    List<KeyCode> keys = next();
    keys.forEach(this::press);
    return !keys.isEmpty();
  }

  /**
   * Gives the keys that the card asks for next, none while it waits. Bring your own cable: the kit
   * has none.
   */
  public List<KeyCode> next() {
    Card card = window.card();
    if (window.stage() == StageId.UNPACK
        && card.title().contains("USB")
        && card.field().map(field -> field.typed().isEmpty()).orElse(false)) {
      return List.of(KeyCode.NUMPAD1, KeyCode.ENTER);
    }
    if (window.stage() == StageId.WAKE
        && card.field().isPresent()
        && card.key('+').isPresent()
        && card.key(Card.ESC).isEmpty()
        && card.verdict().filter(verdict -> !verdict.good()).isPresent()) {
      return List.of(KeyCode.ADD);
    }
    if (card.go().equals(window.words().say("caution.stop.go")) && !card.goEnabled()) {
      // On the bench only: nothing of it is connected.
      return List.of(KeyCode.NUMPAD3);
    }
    if (card.goEnabled()) {
      return List.of(KeyCode.ENTER);
    }
    if (window.stage() == StageId.FIT
        && card.field().map(field -> field.typed().isEmpty()).orElse(false)) {
      return labels(card);
    }
    if (window.stage() == StageId.LOAD && card.field().isPresent() && card.key('.').isPresent()) {
      return List.of(KeyCode.DECIMAL);
    }
    if (window.stage() == StageId.CLOSE && card.key('1').isPresent()) {
      return List.of(KeyCode.NUMPAD1);
    }
    if (window.stage() == StageId.POWER && card.key('1').isPresent()) {
      return List.of(KeyCode.NUMPAD1);
    }
    if (window.stage() == StageId.WAKE && asksForPicture(card)) {
      return List.of(digit(picture(card)));
    }
    long open = card.rows().stream().skip(1).filter(row -> row.standing() != Standing.DONE).count();
    if (window.stage() == StageId.FIT && open > 0) {
      List<KeyCode> marks = new ArrayList<>();
      for (int row = 1; row < card.rows().size() && marks.size() < 2; row++) {
        if (card.rows().get(row).standing() != Standing.DONE) {
          marks.add(digit(row));
        }
      }
      return marks;
    }
    return List.of();
  }

  /** Types the labels of a module as they stand at the first row, by the digits on the card. */
  private List<KeyCode> labels(Card card) {
    return window.build().map(open -> open.kit().handwork().modules()).orElse(List.of()).stream()
        .filter(module -> card.title().contains(module.ref()))
        .flatMap(module -> module.rows().getFirst().labels().stream())
        .map(label -> {
          int row = 0;
          while (!card.rows().get(row).text().endsWith(" " + label)) {
            row++;
          }
          return digit(row + 1);
        })
        .toList();
  }

  private static KeyCode digit(int digit) {
    return KeyCode.valueOf("NUMPAD" + digit);
  }

  private boolean asksForPicture(Card card) {
    return !card.goEnabled() && card.key('1').isPresent();
  }

  /**
   * The number of the picture that looks like the simulated display: which way, or which colours.
   */
  private int picture(Card card) {
    OpenBuild open = window.build().orElseThrow();
    for (Peripheral peripheral : open.kit().peripherals()) {
      if (peripheral instanceof Peripheral.Display display
          && !open.build().awake().contains(display.id())) {
        DisplaySetting.Seen seen =
            open.practice()
                .figure(
                    display, DisplaySetting.of(display.config(), open.build().facts(display.id())));
        return card.key('8').isPresent()
            ? Pose.all().indexOf(seen.pose()) + 1
            : 1 + (seen.redLooksBlue() ? 1 : 0) + (seen.inverted() ? display.colour() ? 2 : 1 : 0);
      }
    }
    return 1;
  }

  /** Tells whether the walk is over: the case is closed and the book is open. */
  public boolean over() {
    return window.stage() == StageId.BOOK
        && window.build().map(b -> b.build().isClosed()).orElse(false);
  }
}
