package humble.core.wake;

import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** Numbers of lights as a fact: {@code "3 7"}; {@code ""} for none. */
public final class LightNumbers {
  private LightNumbers() {}

  /** Writes them. */
  public static String text(Set<Integer> numbers) {
    return new TreeSet<>(numbers).stream().map(String::valueOf).collect(Collectors.joining(" "));
  }

  /** Reads them; what is no number is left out. */
  public static Set<Integer> of(String text) {
    Set<Integer> numbers = new TreeSet<>();
    for (String word : text.split(" ")) {
      if (word.matches("[0-9]{1,6}")) {
        numbers.add(Integer.parseInt(word));
      }
    }
    return numbers;
  }
}
