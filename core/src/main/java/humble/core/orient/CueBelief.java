package humble.core.orient;

import humble.core.kit.PartKind;
import humble.core.units.Engineering;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What the marks seen on one part amount to: independent cues multiplied as odds, starting even.
 *
 * @param lead lead that is the anode, the plus or pin 1; null while neither is likely enough
 * @param belief belief in the likelier lead, 0.5 to 1
 * @param conflict whether two cues that are usually right disagree
 * @param trust the cue to trust more in a conflict, null without one
 * @param next the test that settles it, empty when nothing is in doubt
 */
public record CueBelief(
    @Nullable String lead,
    double belief,
    boolean conflict,
    @Nullable Cue trust,
    Optional<Phrase> next) {
  private static final double STRONG = 0.8;
  private static final double LIKELY = 0.9;
  private static final double SURE = 0.95;
  private static final double TEST_VOLTS = 5;
  private static final double TEST_AMPERES = 0.002;
  private static final double USUAL_LED_VOLTS = 2;

  /**
   * A cue as it was seen.
   *
   * @param cue which
   * @param at lead it points at
   * @param reliability how often it tells the truth; the usual value where a kit gives none
   */
  public record Seen(Cue cue, String at, double reliability) {
    public Seen {
      if (!(reliability >= 0.5 && reliability < 1)) {
        throw new IllegalArgumentException("a reliability lies from 0.5 to below 1");
      }
    }
  }

  /**
   * Weighs the cues.
   *
   * @param kind kind of part
   * @param leads names of the two leads or ends
   * @param cues what was seen
   */
  public static CueBelief of(PartKind kind, List<String> leads, List<Seen> cues) {
    if (leads.size() != 2) {
      throw new IllegalArgumentException("two leads are told apart, not " + leads.size());
    }
    double logOdds = 0;
    for (Seen seen : cues) {
      double odds = Math.log(seen.reliability() / (1 - seen.reliability()));
      logOdds += first(seen, leads) ? odds : -odds;
    }
    double forFirst = 1 / (1 + Math.exp(-logOdds));
    double belief = Math.max(forFirst, 1 - forFirst);
    String likelier = leads.get(forFirst >= 0.5 ? 0 : 1);
    List<Seen> strong = cues.stream().filter(seen -> seen.reliability() >= STRONG).toList();
    boolean conflict = strong.stream().map(seen -> first(seen, leads)).distinct().count() > 1;
    List<Seen> ranked = new ArrayList<>(strong);
    ranked.sort(Comparator.comparingDouble(seen -> -seen.reliability()));
    Cue trust = conflict ? ranked.getFirst().cue() : null;
    boolean tested = cues.stream().anyMatch(seen -> seen.cue() == Cue.LIGHTS);
    boolean doubt = belief < SURE || (conflict && !tested);
    return new CueBelief(
        belief >= LIKELY ? likelier : null,
        belief,
        conflict,
        trust,
        doubt ? Optional.of(test(kind, likelier)) : Optional.empty());
  }

  /** Tells whether a cue says that the first lead is the anode, the plus or pin 1. */
  private static boolean first(Seen seen, List<String> leads) {
    return seen.cue().pointsAtFirst() == seen.at().equals(leads.getFirst());
  }

  private static Phrase test(PartKind kind, String likelier) {
    if (kind == PartKind.LED || kind == PartKind.LASER) {
      double ohms = (TEST_VOLTS - USUAL_LED_VOLTS) / TEST_AMPERES;
      return Phrase.of("orient.test.led", likelier, Engineering.nominal(ohms, "Ω"));
    }
    if (kind.isDiode()) {
      return Phrase.of("orient.test.diode", likelier);
    }
    if (kind == PartKind.CAPACITOR_POLARISED) {
      return Phrase.of("orient.test.capacitor");
    }
    return Phrase.of("orient.test.look");
  }
}
