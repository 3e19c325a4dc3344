package humble.core.own;

import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.power.FirstPower;
import humble.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** What a kit can do so far, and how many answers away the rest is. */
public final class Stones {
  private final Kit kit;
  private final Parts parts;
  private final Set<String> answered;
  private final Set<String> guessed;

  private Stones(Parts parts, Set<String> answered, Set<String> guessed) {
    this.kit = parts.kit();
    this.parts = parts;
    this.answered = answered;
    this.guessed = guessed;
  }

  /**
   * Gives the five stones of a kit, in their order.
   *
   * @param answered ids of the questions that were answered at the bench; none of a kit file alone
   * @param guessed what nobody has looked at yet
   */
  public static List<Stone> of(Kit kit, Set<String> answered, Set<String> guessed) {
    return of(Parts.of(kit), answered, guessed);
  }

  /**
   * Gives the five stones of a kit whose parts are at hand, in their order.
   *
   * @param answered ids of the questions that were answered at the bench
   * @param guessed what nobody has looked at yet
   */
  public static List<Stone> of(Parts parts, Set<String> answered, Set<String> guessed) {
    Stones stones = new Stones(parts, answered, guessed);
    return List.of(stones.count(), stones.order(), stones.way(), stones.reads(), stones.wrong());
  }

  private Stone count() {
    List<String> away =
        kit.lines().isEmpty()
            ? List.of("list")
            : kit.lines().stream()
                .filter(line -> line.needed() == 0 && line.supplied() == 0 && !line.isOnBoard())
                .map(Line::id)
                .toList();
    int lines = Math.max(1, kit.lines().size());
    return new Stone(Stone.Name.COUNT, lines - Math.min(lines, away.size()), lines, away);
  }

  private List<Part> onBoards() {
    return parts.all().stream()
        .filter(part -> ToPlace.hasPlaces(part.line()) && !isNotHere(part.ref()))
        .toList();
  }

  private boolean isNotHere(String ref) {
    return answered.contains("none:" + ref);
  }

  private Stone order() {
    List<String> away = new ArrayList<>();
    for (Part part : onBoards()) {
      if (part.placed().isEmpty()) {
        away.add(part.ref());
      }
    }
    ToPlace open = ToPlace.of(kit, Set.of());
    away.addAll(open.without());
    int needed = onBoards().size() + open.without().size();
    int byCount = open.byCount().size();
    return new Stone(
        Stone.Name.ORDER, needed - away.size() + byCount, needed + byCount, List.copyOf(away));
  }

  private Stone way() {
    List<Part> oriented = onBoards().stream().filter(p -> p.line().isOriented()).toList();
    List<String> away =
        oriented.stream()
            .map(Part::ref)
            .filter(ref -> parts.get(ref).placed().isEmpty() || guessed.contains("turn:" + ref))
            .toList();
    return new Stone(Stone.Name.WAY, oriented.size() - away.size(), oriented.size(), away);
  }

  private boolean takesPower() {
    return parts.all().stream().anyMatch(p -> p.line().kind().is(PartKind.Fact.POWERED));
  }

  /** Answers to its first gate; a kit that takes no power has none. */
  private Stone reads() {
    List<String> away = new ArrayList<>();
    if (!takesPower()) {
      return new Stone(Stone.Name.READS, 0, 0, away);
    }
    List<Gate> gates = FirstPower.given(kit, Words.core(Locale.ROOT)).gates();
    List<Skeleton.Ask> asks = new Skeleton(parts, answered).all();
    boolean added = gates.stream().allMatch(FirstPower::isAdded);
    asks.stream()
        .filter(ask -> gates.isEmpty() ? ask.what() != Skeleton.What.GROUND : added && isRead(ask))
        .forEach(ask -> away.add(ask.id()));
    if (gates.isEmpty()) {
      if (away.isEmpty()) {
        // Without a socket to read at it is the current that is read: all has to be joined.
        parts
            .all()
            .forEach(part -> parts.unjoined(part).forEach(pin -> away.add(part.ref() + "." + pin)));
      }
      if (away.isEmpty()) {
        away.add(Skeleton.IN);
      }
    }
    long said = answered.stream().filter(Stones::isOfPower).count();
    int known = gates.isEmpty() ? (int) said : Math.max(1, (int) said);
    return new Stone(Stone.Name.READS, known, known + away.size(), away);
  }

  /** Each socket is read: one of which nothing was said yet is still to be asked for. */
  private static boolean isRead(Skeleton.Ask ask) {
    return switch (ask.what()) {
      case IN, VOLTS, MAKES, CHIP, RAIL -> true;
      case PLUG, SWITCH, GROUND -> false;
    };
  }

  private static boolean isOfPower(String question) {
    return question.startsWith("supply:")
        || question.startsWith("makes:")
        || question.startsWith("chip:")
        || question.startsWith("rail:");
  }

  /** Every pin through which current may flow belongs to a net. */
  private Stone wrong() {
    List<String> away = new ArrayList<>();
    int needed = 0;
    for (Part part : parts.all()) {
      if (isNotHere(part.ref())) {
        continue;
      }
      if (part.model() instanceof Model.Open
          && part.line().kind().is(PartKind.Fact.NEEDS_MODEL)
          && part.line().model() == null) {
        needed++;
        away.add("model:" + part.ref());
      }
      for (String pin : part.currentPins()) {
        needed++;
        if (parts.netOf(new PinRef(part.ref(), pin)).isEmpty()
            && !answered.contains("alone:" + part.ref() + "." + pin)) {
          away.add(part.ref() + "." + pin);
        }
      }
    }
    return new Stone(Stone.Name.WRONG, needed - away.size(), needed, away);
  }
}
