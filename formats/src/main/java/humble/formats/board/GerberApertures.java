package humble.formats.board;

import humble.core.budget.Budget;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The apertures of a layer by number, and the macros that they are made of. */
final class GerberApertures {
  private final GerberText text;
  private final GerberFormat format;
  private final Budget budget;
  private final Map<Integer, Aperture> apertures = new HashMap<>();
  private final Map<String, Macro> macros = new HashMap<>();

  GerberApertures(GerberText text, GerberFormat format, Budget budget) {
    this.text = text;
    this.format = format;
    this.budget = budget;
  }

  Optional<Aperture> of(int number) {
    return Optional.ofNullable(apertures.get(number));
  }

  void put(int number, Aperture aperture) {
    apertures.put(number, aperture);
  }

  /** Takes a macro, up to its closing sign. */
  void macro() throws BoardFileDamage {
    String name = text.upToAsterisk().substring(2);
    List<String> statements = new ArrayList<>();
    while (text.next()) {
      if (text.takesPercent()) {
        macros.put(name, new Macro(name, statements));
        return;
      }
      statements.add(text.upToAsterisk());
    }
    throw text.damage("The macro " + name + " is not closed.");
  }

  /** Takes what follows AD. */
  void define(String rest) throws BoardFileDamage {
    int end = 1;
    while (end < rest.length() && Character.isDigit(rest.charAt(end))) {
      end++;
    }
    if (!rest.startsWith("D") || end == 1) {
      throw text.damage("An aperture needs a number: 'AD" + rest + "'.");
    }
    int number = (int) text.number(rest.substring(1, end));
    int comma = rest.indexOf(',', end);
    String template = comma < 0 ? rest.substring(end) : rest.substring(end, comma);
    List<Double> parameters = new ArrayList<>();
    if (comma >= 0) {
      for (String parameter : rest.substring(comma + 1).split("X")) {
        if (!parameter.isBlank()) {
          parameters.add(text.number(parameter));
        }
      }
    }
    apertures.put(number, aperture(template, parameters));
  }

  private Aperture aperture(String template, List<Double> p) throws BoardFileDamage {
    int least =
        switch (template) {
          case "C" -> 1;
          case "R" -> 1;
          case "O", "P" -> 2;
          default -> 0;
        };
    if (p.size() < least) {
      throw text.damage("The aperture " + template + " lacks numbers.");
    }
    double mm = format.unitMm();
    return switch (template) {
      case "C" -> holed(Aperture.circle(p.getFirst() * mm), p, 1);
      // One number alone means a square, as older files write it.
      case "R" -> holed(Aperture.rectangle(p.get(0) * mm, p.get(p.size() > 1 ? 1 : 0) * mm), p, 2);
      case "O" -> holed(Aperture.obround(p.get(0) * mm, p.get(1) * mm), p, 2);
      case "P" ->
          holed(
              Aperture.polygon(
                  p.get(0) * mm,
                  Math.clamp((int) Math.round(p.get(1)), 3, 12),
                  p.size() > 2 ? p.get(2) : 0),
              p,
              3);
      default -> ofMacro(template, p);
    };
  }

  /** A hole follows the other numbers: one for a round one, two for one with corners. */
  private Aperture holed(Aperture whole, List<Double> numbers, int from) throws BoardFileDamage {
    if (numbers.size() <= from || numbers.get(from) == 0) {
      return whole;
    }
    double mm = format.unitMm();
    double height = numbers.size() > from + 1 ? numbers.get(from + 1) : 0;
    return whole.withHole(numbers.get(from) * mm, height * mm);
  }

  private Aperture ofMacro(String name, List<Double> parameters) throws BoardFileDamage {
    Macro macro = macros.get(name);
    if (macro == null) {
      throw text.damage("There is no macro '" + name + "'.");
    }
    try {
      return macro.with(parameters, budget).changed(false, false, 0, format.unitMm());
    } catch (IllegalArgumentException e) {
      throw text.damage("The macro " + name + ": " + e.getMessage() + ".");
    }
  }
}
