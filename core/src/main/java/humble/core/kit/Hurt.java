package humble.core.kit;

import java.util.List;

/** What hurts the parts of a kind, where the kit says nothing. */
public enum Hurt {
  /** Nothing that happens at a bench. */
  NOTHING(List.of()),
  /** A charged finger. */
  STATIC(List.of("static")),
  /** A joint held too long. */
  HEAT(List.of("heat")),
  /** A fall. */
  SHOCK(List.of("shock")),
  /** Glass and drivers bear none of these. */
  GLASS(List.of("static", "shock", "water")),
  /** What stands on it bears neither. */
  BOARDED(List.of("static", "water")),
  /** Wash water creeps in and stays. */
  WATER(List.of("water"));

  private final List<String> words;

  Hurt(List<String> words) {
    this.words = words;
  }

  /** Gives the words of it in kit files. */
  public List<String> words() {
    return words;
  }
}
