package humble.core.mend;

import humble.core.kit.Cable;
import humble.core.kit.KitFault;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Something done to the board that may cure it, beside the measurements that tell what it is.
 *
 * @param act what is done
 * @param what to which part, joint or cable, or in the kit's own words
 * @param minutes how long it takes, power off and on again included
 * @param decidesBits what is learned when one sees whether it works then: the information between
 *     that and the suspects, in bits
 */
public record Trial(Act act, String what, double minutes, double decidesBits) {
  /** What is done. */
  public enum Act {
    /** Pull it and put it back. */
    RESEAT,
    /** Take another one. */
    SWAP,
    /** Melt the joint again, with flux. */
    REHEAT,
    /** Switch it on, push the plug home. */
    SWITCH_ON,
    /** Measure instead. */
    MEASURE;

    /** Gives the name used in output. */
    public String text() {
      return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
  }

  /** How often pulling a chip and putting it back cures a leg that makes no contact. */
  private static final double RESEAT_CURES = 0.6;

  private static final double SWAP_CURES = 0.95;
  private static final double REHEAT_CURES = 0.9;
  private static final double RESEAT_MIN = 1.0;
  private static final double SWAP_MIN = 1.0;
  private static final double REHEAT_MIN = 1.5;
  private static final double SWITCH_MIN = 0.3;

  /** Whoever looks at a switch sees how it stands. */
  private static final double SWITCH_CURES = 1;

  private static final double LEAST_BITS = 1e-3;

  /** Gives what is decided per minute. */
  public double bitsPerMinute() {
    return decidesBits / minutes;
  }

  /**
   * Gives the trials and the next measurement of a search, those that decide most per minute first.
   *
   * @param parts the board
   * @param known what is believed now
   */
  public static List<Trial> ranked(Parts parts, Diagnosis.Known known) {
    Map<String, Double> beliefs = beliefs(known);
    List<Trial> all = new ArrayList<>();
    for (Part part : parts.all()) {
      String ref = part.ref();
      if (parts.socketOf(ref).isPresent() && part.line().kind() != PartKind.BATTERY) {
        add(all, Act.RESEAT, ref, RESEAT_MIN, RESEAT_CURES, beliefs, joint -> isOf(joint, ref));
      }
      if (part.line().kind() == PartKind.BATTERY) {
        add(all, Act.SWAP, ref, SWAP_MIN, SWAP_CURES, beliefs, name -> name.equals("dead:" + ref));
      }
    }
    for (Cable cable : parts.kit().handwork().cables()) {
      add(all, Act.SWAP, cable.id(), SWAP_MIN, SWAP_CURES, beliefs, name -> isOf(name, cable));
    }
    for (KitFault fault : parts.kit().faults()) {
      add(
          all,
          Act.SWAP,
          fault.tryThis().isEmpty() ? fault.title() : fault.tryThis(),
          Math.max(0.1, fault.minutes()),
          SWAP_CURES,
          beliefs,
          name -> name.equals("kit:" + fault.id()));
    }
    for (String pin : joints(parts, beliefs)) {
      add(
          all,
          Act.REHEAT,
          pin,
          REHEAT_MIN,
          REHEAT_CURES,
          beliefs,
          name -> name.equals("open:" + pin) || name.equals("cold:" + pin));
    }
    beliefs.keySet().stream()
        .sorted()
        .filter(name -> name.startsWith("off:"))
        .forEach(off ->
            add(
                all,
                Act.SWITCH_ON,
                off.substring("off:".length()),
                SWITCH_MIN,
                SWITCH_CURES,
                beliefs,
                off::equals));
    known
        .next()
        .ifPresent(next ->
            all.add(
                new Trial(
                    Act.MEASURE, next.measure().toString(), next.minutes(), next.gainBits())));
    all.sort(
        Comparator.comparingDouble(Trial::bitsPerMinute).reversed().thenComparing(Trial::what));
    return all;
  }

  /** What is believed of each suspect alone: the members of a group share its belief. */
  private static Map<String, Double> beliefs(Diagnosis.Known known) {
    Map<String, Double> beliefs = new HashMap<>();
    for (Diagnosis.Named named : known.suspects()) {
      named
          .group()
          .forEach(name -> beliefs.merge(name, named.belief() / named.group().size(), Double::sum));
    }
    return beliefs;
  }

  /** A joint of a chip that sits in a socket is cured by its seat, not by the iron. */
  private static Set<String> joints(Parts parts, Map<String, Double> beliefs) {
    Set<String> joints = new LinkedHashSet<>();
    beliefs.keySet().stream()
        .sorted()
        .filter(name -> name.startsWith("open:") || name.startsWith("cold:"))
        .map(name -> name.substring("open:".length()))
        .filter(pin -> PinRef.parse(pin).filter(p -> parts.socketOf(p.ref()).isEmpty()).isPresent())
        .forEach(joints::add);
    return joints;
  }

  private static boolean isOf(String name, String ref) {
    return name.startsWith("open:" + ref + ".") || name.startsWith("cold:" + ref + ".");
  }

  private static boolean isOf(String name, Cable cable) {
    return name.equals("reversed:" + cable.id())
        || name.equals("missing:" + cable.id())
        || isOf(name, cable.a())
        || isOf(name, cable.b());
  }

  private static void add(
      List<Trial> all,
      Act act,
      String what,
      double minutes,
      double cures,
      Map<String, Double> beliefs,
      Predicate<String> cured) {
    double belief =
        beliefs.entrySet().stream()
            .filter(entry -> cured.test(entry.getKey()))
            .mapToDouble(Map.Entry::getValue)
            .sum();
    double bits = bits(Math.min(1, belief), cures);
    if (bits > LEAST_BITS) {
      all.add(new Trial(act, what, minutes, bits));
    }
  }

  /**
   * What seeing it work tells of whether that was it: the information of a channel that may miss.
   */
  static double bits(double belief, double cures) {
    return entropy(belief * cures) - belief * entropy(cures);
  }

  private static double entropy(double p) {
    return p <= 0 || p >= 1 ? 0 : -(p * Math.log(p) + (1 - p) * Math.log(1 - p)) / Math.log(2);
  }
}
