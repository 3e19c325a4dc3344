package humble.core.own;

import java.util.List;

/**
 * One thing that a kit can do, or how far it is from it.
 *
 * @param name what it can do then
 * @param known how much of what it takes is known
 * @param needed how much it takes; 0 where the kit has nothing of the kind
 * @param away what is still asked for, the next first: refs, lines or ids of questions
 */
public record Stone(Name name, int known, int needed, List<String> away) {
  public Stone {
    away = List.copyOf(away);
  }

  /** What a kit can do, each more than the one before. */
  public enum Name {
    /** Count the bag. */
    COUNT,
    /** Give an order of work. */
    ORDER,
    /** Tell which way round parts go. */
    WAY,
    /** Say what a meter should read. */
    READS,
    /** Find what is wrong. */
    WRONG;

    /** Gives the word used in commands. */
    public String text() {
      return switch (this) {
        case COUNT -> "count";
        case ORDER -> "order";
        case WAY -> "which way round";
        case READS -> "what it should read";
        case WRONG -> "what is wrong";
      };
    }
  }

  /** Tells whether the kit can do it: something is needed, and all of it is known. */
  public boolean isReached() {
    return needed > 0 && away.isEmpty();
  }

  /** Gives how far it is filled, from 0 to 1; less than 1 while anything is asked for. */
  public double share() {
    return needed == 0 ? 0 : isReached() ? 1 : Math.min(0.95, known / (double) needed);
  }
}
