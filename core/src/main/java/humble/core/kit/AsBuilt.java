package humble.core.kit;

import java.util.Map;
import java.util.Set;

/**
 * What a builder made of a kit: what was chosen, which row every module sits in, and what is not on
 * the board, since it is not fitted yet or was told absent. Equal values are equal boards.
 *
 * @param choices choice by option; what was not chosen is as a state says, else as usual
 * @param rows row by module; a module without one sits in its first
 * @param notThere refs that are not on the board, in whichever state
 */
public record AsBuilt(Map<String, String> choices, Map<String, String> rows, Set<String> notThere) {
  /** The board as the kit means it, all fitted. */
  public static final AsBuilt DESIGNED = new AsBuilt(Map.of(), Map.of(), Set.of());

  public AsBuilt {
    choices = Map.copyOf(choices);
    rows = Map.copyOf(rows);
    notThere = Set.copyOf(notThere);
  }
}
