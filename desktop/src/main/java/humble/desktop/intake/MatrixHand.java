package humble.desktop.intake;

import humble.core.intake.Review;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.wake.LightPlan;
import humble.desktop.hand.Seat;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Makes a matrix of the lights of a list: which chip, its pins in order, the wiring, how many. */
final class MatrixHand extends ListHand {
  /** Fewer lights than this are no matrix. */
  static final int LEAST_LIGHTS = 3;

  private static final Pattern BETWEEN_PINS = Pattern.compile("[.,;]+");

  private final Review going;
  private Ask ask = Ask.DRIVER;
  private int choice;
  private String driver = "";
  private List<String> pins = List.of();
  private Wiring wiring = Wiring.ANODES;
  private int rows;
  private String trouble = "";
  private boolean over;

  private enum Ask {
    DRIVER,
    PINS,
    WIRING,
    ROWS,
    COUNT
  }

  /** How lights stand between the pins, and how they are numbered. */
  private enum Wiring {
    ANODES,
    PAIRS,
    ROWS
  }

  MatrixHand(Seat seat, TypedList list, Review review) {
    super(seat, list, Optional.of(review));
    this.going = review;
  }

  /**
   * Gives the chips of a kit that can drive lights: those of which it is known where they are fed.
   */
  static List<String> drivers(Kit kit) {
    return kit.lines().stream()
        .filter(line -> line.model() instanceof Model.Load)
        .flatMap(line -> line.refs().stream())
        .toList();
  }

  /** Tells whether there is a chip that may drive lights, and lights enough. */
  static boolean isPossible(Kit kit) {
    return lights(kit) >= LEAST_LIGHTS && !drivers(kit).isEmpty();
  }

  private static int lights(Kit kit) {
    return kit.lines().stream()
        .filter(line -> line.kind() == PartKind.LED)
        .mapToInt(line -> line.refs().size())
        .sum();
  }

  private Kit kit() {
    return going.draft().kit();
  }

  @Override
  public boolean over() {
    return over;
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(say("intake.matrix.kicker", ask.ordinal() + 1), say("intake.matrix." + key()));
    card.key(Card.ESC, say("intake.leave"), () -> over = true);
    if (!trouble.isEmpty()) {
      card.verdict(false, trouble);
    }
    return switch (ask) {
      case DRIVER -> driver(card);
      case PINS -> pins(card);
      case WIRING -> wiring(card);
      case ROWS -> rows(card);
      case COUNT -> count(card);
    };
  }

  private String key() {
    return ask.name().toLowerCase(java.util.Locale.ROOT);
  }

  private Card driver(Card.Maker card) {
    List<String> drivers = drivers(kit());
    for (int i = 0; i < Math.min(9, drivers.size()); i++) {
      int index = i;
      card.choice(
          i + 1,
          i == choice ? Standing.NOW : Standing.TO_DO,
          say("fit.choice", i + 1, drivers.get(i)),
          () -> choice = index);
    }
    String chosen = drivers.get(Math.min(choice, drivers.size() - 1));
    return card.go(
        say("intake.take", chosen),
        () -> {
          driver = chosen;
          next(Ask.PINS);
        });
  }

  private Card pins(Card.Maker card) {
    card.how(say("intake.matrix.pins.how", driver));
    card.field(typed().text(), "", Takes.DIGITS);
    List<String> read =
        Stream.of(BETWEEN_PINS.split(typed().text())).filter(pin -> !pin.isEmpty()).toList();
    return read.size() < 2
        ? card.notYet(say("intake.matrix.pins.more"))
        : card.go(
            say("intake.matrix.pins.go", read.size()),
            () -> {
              pins = read;
              next(Ask.WIRING);
            });
  }

  private Card wiring(Card.Maker card) {
    for (Wiring each : Wiring.values()) {
      card.choice(
          each.ordinal() + 1,
          each == wiring ? Standing.NOW : Standing.TO_DO,
          say(
              "fit.choice",
              each.ordinal() + 1,
              say("intake.matrix.wiring." + each.name().toLowerCase(java.util.Locale.ROOT))),
          () -> wiring = each);
    }
    return card.go(say("intake.next"), () -> next(wiring == Wiring.ROWS ? Ask.ROWS : Ask.COUNT));
  }

  private Card rows(Card.Maker card) {
    card.how(say("intake.matrix.rows.how", pins.size()));
    card.field(typed().text(), "", Takes.DIGITS);
    int typedRows = number();
    return typedRows < 1 || typedRows >= pins.size()
        ? card.notYet(say("intake.digits"))
        : card.go(
            say("intake.next"),
            () -> {
              rows = typedRows;
              next(Ask.COUNT);
            });
  }

  private Card count(Card.Maker card) {
    int lights = lights(kit());
    int most = answers(lights).most();
    card.how(say("intake.matrix.count.how", lights, most));
    card.field(typed().text(), Integer.toString(Math.min(lights, most)), Takes.DIGITS);
    int count = typed().isEmpty() ? Math.min(lights, most) : number();
    return count < 1
        ? card.notYet(say("intake.digits"))
        : card.go(say("intake.matrix.count.go", count), () -> make(count));
  }

  private int number() {
    String text = typed().text();
    return text.matches("[0-9]{1,4}") ? Integer.parseInt(text) : 0;
  }

  private LightPlan.Answers answers(int count) {
    return new LightPlan.Answers(
        driver,
        pins,
        wiring == Wiring.ROWS ? rows : 0,
        count,
        wiring == Wiring.PAIRS ? LightPlan.Order.PAIRS : LightPlan.Order.ANODES);
  }

  private void next(Ask then) {
    ask = then;
    trouble = "";
    typed().clear();
  }

  /** Where it cannot be, the pins are asked again, with the reason. */
  private void make(int count) {
    LightPlan.Answers answers = answers(count);
    List<String> problems = new ArrayList<>(LightPlan.of(Parts.of(kit()), answers).problems());
    typed().clear();
    if (problems.isEmpty()) {
      list.lights(answers);
      over = true;
    } else {
      ask = Ask.PINS;
      trouble = problems.getFirst();
    }
  }

  /** Gives how many volts a light of the kit drops. */
  static double forwardV(Kit kit) {
    return kit.lines().stream()
        .map(Line::model)
        .filter(Model.Junction.class::isInstance)
        .map(Model.Junction.class::cast)
        .filter(Model.Junction::led)
        .mapToDouble(Model.Junction::vfV)
        .findFirst()
        .orElse(2);
  }
}
