package humble.core.intake;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Model;
import java.util.Collection;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * What chips were told to be in kits that are known at a bench: asked once, it is there for the
 * next kit, and goes along with every kit that is handed on. A chip is known by its name and the
 * number of its pins; one of which two kits say different things is not known.
 */
public final class ChipLibrary {
  /** Nothing is known. */
  public static final ChipLibrary NONE = new ChipLibrary(Map.of());

  private static final int SHORTEST_NAME = 3;

  private final Map<String, Optional<Known>> known;

  private ChipLibrary(Map<String, Optional<Known>> known) {
    this.known = known;
  }

  /**
   * A chip.
   *
   * @param model what it was told to be
   * @param kit name of the kit that tells it
   */
  public record Known(Model.Load model, String kit) {}

  /** Gives what kits tell of their chips. */
  public static ChipLibrary of(Collection<Kit> kits) {
    Map<String, Optional<Known>> known = new HashMap<>();
    for (Kit kit : kits) {
      for (Line line : kit.lines()) {
        int pins = kit.packageNamed(line.packageId()).map(pack -> pack.pins().size()).orElse(0);
        if (line.model() instanceof Model.Load load && pins > 0) {
          for (String name : java.util.Set.of(line.value(), line.marking())) {
            key(name, pins)
                .ifPresent(key ->
                    known.merge(
                        key,
                        Optional.of(new Known(load, kit.name())),
                        (one, other) ->
                            one.map(Known::model).equals(other.map(Known::model))
                                ? one
                                : Optional.empty()));
          }
        }
      }
    }
    return new ChipLibrary(Map.copyOf(known));
  }

  private static Optional<String> key(String name, int pins) {
    String plain = name.toUpperCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
    return plain.length() < SHORTEST_NAME ? Optional.empty() : Optional.of(plain + "/" + pins);
  }

  /** Gives the chip of that name with so many pins. */
  Optional<Known> chip(String name, int pins) {
    return key(name, pins).flatMap(key -> known.getOrDefault(key, Optional.empty()));
  }

  /** Gives how many names are known. */
  public int size() {
    return (int) known.values().stream().filter(Optional::isPresent).count();
  }
}
