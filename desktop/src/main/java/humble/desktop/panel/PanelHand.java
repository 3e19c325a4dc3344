package humble.desktop.panel;

import humble.bench.panel.FrontPanel;
import humble.core.build.BuildEvent;
import humble.core.firmware.NumberBase;
import humble.core.firmware.ToggleSheet;
import humble.core.kit.Caution;
import humble.core.kit.Panel;
import humble.core.kit.Toggled;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * One thing to do at the panel. On the practice bench the digits flip its switches and every key of
 * it can be pressed; on a real one they do nothing unless the card says so.
 */
abstract class PanelHand extends Hand {
  protected final PanelBench bench;
  protected final OpenBuild open;
  protected final Toggled program;
  protected final PanelLayout layout;
  private boolean keys;

  PanelHand(PanelBench bench, Toggled program) {
    super(bench.seat());
    this.bench = bench;
    this.open = bench.open();
    this.program = program;
    this.layout = bench.layout();
  }

  /** Gives the card of what is to do. */
  protected abstract Card now();

  /** Gives what the picture shows. */
  protected abstract PanelMat.Look look();

  @Override
  public final Card card() {
    return keys && simulated() ? allKeys() : now();
  }

  @Override
  public final Mat mat() {
    return PanelMat.of(bench, program, look());
  }

  protected final Card.Maker begun(String title) {
    List<Toggled> all = open.kit().firmware().toggled();
    Card.Maker card =
        seat.card(
            say("panel.kicker.of", program.id(), all.indexOf(program) + 1, all.size()), title);
    open.kit().cautions().stream()
        .filter(caution -> caution.at().equals(program.id()))
        .forEach(caution -> card.caution(caution.level() != Caution.Level.CARE, caution.text()));
    return card;
  }

  /** Gives what is pressed for a key, by the names of the panel. */
  protected final String named(Panel.Key key) {
    String name = say("panel.key." + key.text());
    List<String> refs = bench.panel().pressed(key);
    return switch (refs.size()) {
      case 0 -> name;
      case 1 -> say("panel.key.one", name, refs.getFirst());
      default ->
          say(
              "panel.key.together",
              name,
              refs.getLast(),
              String.join(", ", refs.subList(0, refs.size() - 1)));
    };
  }

  /** Gives a byte in the four bases. */
  protected final String bases(int value) {
    return say(
        "panel.bases",
        NumberBase.HEX.of(value),
        NumberBase.OCTAL.of(value),
        NumberBase.BINARY.of(value).replaceFirst("(....)(....)", "$1 $2"));
  }

  protected static String hex(ToggleSheet.Row row) {
    return NumberBase.HEX.of((int) row.address());
  }

  /** Adds what every card at the panel offers. */
  protected final void beside(Card.Maker card) {
    card.key('.', say("wake.later"), () -> bench.leave(program));
    card.key('+', say("panel.off"), this::off);
    if (open.practiceOn() && bench.practice().isWithout()) {
      card.why(say("panel.without"));
    }
    if (simulated()) {
      card.silent('9', () -> keys = true);
      card.why(say("panel.simulated"));
      for (int place = 1; place <= Panel.BITS; place++) {
        int bit = layout.bitAt(place);
        if (flips()) {
          card.silent((char) ('0' + place), () -> flip(bit));
        }
      }
    }
  }

  /**
   * Tells whether the simulated panel answers: not where the nets do not say what belongs where.
   */
  protected final boolean simulated() {
    return open.practiceOn() && !bench.practice().isWithout();
  }

  /** Tells whether a digit flips a switch here. */
  protected boolean flips() {
    return true;
  }

  private void off() {
    bench.off();
    open.act(new BuildEvent.PanelOff(program.id()));
  }

  private void flip(int bit) {
    set(bench.practice().switches() ^ 1 << bit);
  }

  /** Sets the switches of the simulated panel. */
  protected void set(int value) {
    own(bench.practice().set(value, () -> {}));
  }

  protected final void press(Panel.Key key, Consumer<FrontPanel.Lights> then) {
    own(bench.practice().press(key, then));
  }

  /** Every key of the simulated panel by a digit: free to try. */
  private Card allKeys() {
    Card.Maker card = begun(say("panel.keys"));
    card.how(say("panel.keys.how"));
    int number = 1;
    for (Panel.Key key : offered()) {
      card.choice(
          number,
          Standing.TO_DO,
          say("mend.choice", number, named(key)),
          () -> {
            keys = false;
            press(key, lights -> bench.at(lights.address()));
          });
      number++;
    }
    card.key(Card.ESC, say("mend.leave"), () -> keys = false);
    return card.go(say("panel.keys.back"), () -> keys = false);
  }

  private List<Panel.Key> offered() {
    List<Panel.Key> all = new ArrayList<>();
    for (Panel.Key key : Panel.Key.values()) {
      if (bench.panel().keys().containsKey(key)) {
        all.add(key);
      }
    }
    return all;
  }

  @Override
  public void pick(String spot) {
    if (!simulated()) {
      return;
    }
    if (spot.startsWith("switch:")) {
      flip(Integer.parseInt(spot.substring(spot.indexOf(':') + 1)));
    } else if (spot.startsWith("key:")) {
      Panel.Key.named(spot.substring(spot.indexOf(':') + 1))
          .ifPresent(key -> press(key, lights -> bench.at(lights.address())));
    }
  }

  /** Ends a card on the practice bench: the switches are set first, then the key is pressed. */
  protected final Card practised(Card.Maker card, int wanted, Panel.Key key, Runnable done) {
    if (bench.practice().isBusy()) {
      return card.notYet(say("panel.asking"));
    }
    card.how(say("panel.practice.flip"));
    if (bench.practice().switches() == wanted) {
      return card.go(
          say("panel.press", say("panel.key." + key.text())),
          () -> press(key, lights -> done.run()));
    }
    card.key('0', say("panel.press.so"), () -> press(key, lights -> done.run()));
    return card.go(say("panel.set"), () -> set(wanted));
  }

  /** Gives what the practice panel shows, where it is in use. */
  protected final Optional<FrontPanel.Lights> lights() {
    return simulated() ? bench.practice().lights() : Optional.empty();
  }
}
