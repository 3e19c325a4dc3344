package humble.core.craft;

import humble.core.kit.Caution;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.words.Phrase;
import humble.core.words.Words;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;

/**
 * What is to be minded with any kit that says nothing of it itself: fumes and the hot tip, leads
 * that fly, charged capacitors, cells, beams, static. Each follows from what is in the list.
 */
public final class UsualCautions {
  private UsualCautions() {}

  /**
   * Gives a kit with the usual cautions where its author wrote none; as it is otherwise.
   *
   * @param dangers what was said that the finished thing does to others, by its names
   */
  public static Kit given(Kit kit, Collection<String> dangers, Words words) {
    if (!kit.cautions().isEmpty()) {
      return kit;
    }
    List<Caution> all = new ArrayList<>();
    for (String name : dangers) {
      // A danger that a newer version knows is no less of one.
      OthersDanger.named(name)
          .ifPresentOrElse(
              danger -> all.addAll(danger.cautions(words)),
              () ->
                  all.add(
                      new Caution(
                          "power",
                          words.say(Phrase.of("caution.others.other", name)),
                          Caution.Level.STOP)));
    }
    all.addAll(of(kit, words));
    return kit.withCautions(all);
  }

  /** Tells whether the maker is asked what the finished thing does: nobody wrote any caution. */
  public static boolean asksOf(Kit kit) {
    return kit.cautions().isEmpty();
  }

  private static boolean has(Kit kit, PartKind... kinds) {
    return kit.lines().stream().map(Line::kind).anyMatch(kind -> List.of(kinds).contains(kind));
  }

  /** Gives the cautions that follow from what a kit has in it. */
  static List<Caution> of(Kit kit, Words words) {
    List<Caution> all = new ArrayList<>();
    if (!kit.lines().isEmpty()) {
      all.add(caution(words, "fit", "fumes", Caution.Level.CARE));
      all.add(caution(words, "fit", "clip", Caution.Level.CARE));
      all.add(caution(words, "power", "limit", Caution.Level.CARE));
    }
    if (has(kit, PartKind.CAPACITOR_POLARISED)) {
      all.add(caution(words, "power", "burst", Caution.Level.DANGER));
      all.add(caution(words, "wake", "charged", Caution.Level.CARE));
    }
    if (has(kit, PartKind.BATTERY, PartKind.BATTERY_HOLDER)) {
      all.add(caution(words, "close", "cells", Caution.Level.DANGER));
    }
    if (has(kit, PartKind.LASER)) {
      all.add(caution(words, "power", "beam", Caution.Level.DANGER));
      all.add(caution(words, "wake", "beam", Caution.Level.DANGER));
    }
    if (has(kit, PartKind.IC, PartKind.MOSFET_N, PartKind.MOSFET_P, PartKind.MODULE)) {
      all.add(caution(words, "unpack", "static", Caution.Level.CARE));
    }
    return all;
  }

  private static Caution caution(Words words, String at, String key, Caution.Level level) {
    return new Caution(at, words.say(Phrase.of("caution.usual." + key)), level);
  }
}
