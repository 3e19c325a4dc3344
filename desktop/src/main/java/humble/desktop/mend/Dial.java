package humble.desktop.mend;

import humble.bench.SimulatedBoard;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.mend.Measure;
import humble.core.units.Engineering;
import humble.core.words.Words;
import humble.desktop.session.OpenBuild;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The dial of the meter and where its probes are, for measurements of one's own: volts need one
 * click, black being on ground; ohms, the diode test and the continuity test need two, red first.
 */
final class Dial {
  /** Positions of the dial. */
  enum At {
    VOLTS,
    OHMS,
    DIODE,
    CONTINUITY;

    String key() {
      return "mend.dial." + name().toLowerCase(java.util.Locale.ROOT);
    }
  }

  private final OpenBuild open;
  private At at = At.VOLTS;
  private @Nullable PinRef red;
  private String shows = "";

  Dial(OpenBuild open) {
    this.open = open;
  }

  At at() {
    return at;
  }

  /** Gives where the red probe waits for the black one. */
  Optional<PinRef> red() {
    return Optional.ofNullable(red);
  }

  /** Gives what the practice meter shows in a test that no suspect is judged by; empty before. */
  String shows() {
    return shows;
  }

  /** Turns on; the two tests are there only where a practice meter answers. */
  void turn(boolean practice) {
    List<At> all = List.of(At.values());
    int last = practice ? all.size() : all.indexOf(At.OHMS) + 1;
    at = all.get((all.indexOf(at) + 1) % last);
    red = null;
    shows = "";
  }

  /** Turns back to volts. */
  void reset() {
    at = At.VOLTS;
    red = null;
    shows = "";
  }

  /** Puts a probe on a pad; gives the measurement once both probes are where they must be. */
  Optional<Measure> touch(PinRef pin, Optional<SimulatedBoard> practice, Words words) {
    shows = "";
    if (at == At.VOLTS) {
      return Optional.of(new Measure.Volts(pin.toString()));
    }
    PinRef first = red;
    if (first == null) {
      red = pin;
      return Optional.empty();
    }
    red = null;
    Parts parts = open.built();
    String from = parts.netOf(first).orElse("");
    String to = parts.netOf(pin).orElse("");
    if (from.equals(to)) {
      shows = words.say("mend.dial.same", from);
      return Optional.empty();
    }
    if (at == At.OHMS) {
      return Optional.of(new Measure.Ohms(from, to));
    }
    practice.ifPresent(board -> shows = tested(board, from, to, words));
    return Optional.empty();
  }

  private String tested(SimulatedBoard board, String from, String to, Words words) {
    return at == At.CONTINUITY
        ? words.say(board.continuity(from, to) ? "mend.beeps" : "mend.silent", from, to)
        : board
            .diode(from, to)
            .map(volts -> words.say("mend.diode", from, to, Engineering.reading(volts, "V")))
            .orElseGet(() -> words.say("mend.diode.open", from, to));
  }
}
