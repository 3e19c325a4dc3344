package humble.core.craft;

import humble.core.kit.Caution;
import humble.core.words.Phrase;
import humble.core.words.Words;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What the finished thing may do that hurts others than its maker. No parts list says it, so it is
 * asked once; each one leads to a caution that says stop and defers to local codes and licensed
 * practice.
 */
public enum OthersDanger {
  /** It steers, brakes or fuels a vehicle. */
  VEHICLE("power", "close"),
  /** It hangs on the mains. */
  MAINS("power", "close"),
  /** It transmits. */
  TRANSMITS("wake");

  private final List<String> stages;

  OthersDanger(String... stages) {
    this.stages = List.of(stages);
  }

  /** Gives the danger of that name; empty where there is none. */
  public static Optional<OthersDanger> named(String name) {
    for (OthersDanger danger : values()) {
      if (danger.text().equals(name)) {
        return Optional.of(danger);
      }
    }
    return Optional.empty();
  }

  /** Gives the name that the journal keeps. */
  public String text() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** Gives the cautions that follow, each at the stage where it comes true. */
  List<Caution> cautions(Words words) {
    String text = words.say(Phrase.of("caution.others." + text()));
    return stages.stream().map(at -> new Caution(at, text, Caution.Level.STOP)).toList();
  }
}
