package humble.core.kit;

import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * What the options leave out: parts that only an untaken choice would fit, and parts the taken one
 * omits.
 */
public final class Choices {
  private Choices() {}

  /**
   * Gives the refs that are not fitted.
   *
   * @param kit the kit
   * @param chosen choice by option; an option that is missing takes its default
   */
  public static Set<String> leftOut(Kit kit, Map<String, String> chosen) {
    Set<String> out = new HashSet<>();
    for (KitOption option : kit.options()) {
      String id = chosen.getOrDefault(option.id(), option.defaultChoice());
      for (KitOption.Choice choice : option.choices()) {
        if (choice.id().equals(id)) {
          out.addAll(choice.omit());
        } else {
          out.addAll(choice.fit());
        }
      }
      option.choice(id).ifPresent(taken -> taken.fit().forEach(out::remove));
    }
    return out;
  }
}
