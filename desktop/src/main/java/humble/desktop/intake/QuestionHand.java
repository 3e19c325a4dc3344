package humble.desktop.intake;

import humble.core.intake.Question;
import humble.core.intake.Review;
import humble.core.kit.Line;
import humble.core.kit.PackageLibrary;
import humble.core.kit.PackageWords;
import humble.core.kit.PartKind;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.desktop.hand.Seat;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Asks about one guess: the guess, other candidates, or what is typed. */
final class QuestionHand extends ListHand {
  private static final int MOST_CANDIDATES = 6;

  private final Review going;
  private final Question question;
  private final Runnable back;
  private int candidate;

  QuestionHand(Seat seat, TypedList list, Review going, Question question, Runnable back) {
    super(seat, list, Optional.of(going));
    this.going = going;
    this.question = question;
    this.back = back;
  }

  @Override
  public Card card() {
    List<String> candidates = candidates();
    String chosen = candidates.get(candidate % candidates.size());
    Card.Maker card =
        seat.card(
            say("intake.review.kicker", going.open().size()),
            say("intake.question." + question.key(), about()));
    card.how(seat.desk().coreWords().sentence(question.because()));
    String text = typed().text();
    boolean known = isKnown(text);
    if (text.isEmpty()) {
      card.takes(Takes.TEXT);
      rows(card, candidates, chosen);
    } else {
      card.field(text, "", Takes.TEXT);
      card.verdict(known, say(known ? "intake.typed" : "intake.typed-no", text));
    }
    if (candidates.size() > 1) {
      card.key('+', say("intake.other"), () -> candidate++);
    }
    card.click("0", say("intake.all"), this::all);
    card.key(Card.BACK, say("intake.back"), back);
    if (text.equals("0")) {
      return card.go(say("intake.all"), this::all);
    }
    return text.isEmpty() || known
        ? card.go(
            say("intake.take", shown(text.isEmpty() ? chosen : text)),
            () -> decide(text.isEmpty() ? chosen : text))
        : card.notYet(say("intake.again"));
  }

  private void rows(Card.Maker card, List<String> candidates, String chosen) {
    for (int i = 0; i < Math.min(MOST_CANDIDATES, candidates.size()); i++) {
      String shown = shown(candidates.get(i));
      card.row(
          candidates.get(i).equals(chosen) ? Standing.NOW : Standing.TO_DO,
          i == 0 ? say("intake.guess", shown, Math.round(question.confidence() * 100)) : shown);
    }
  }

  private void decide(String value) {
    going.decide(question, value);
    typed().clear();
  }

  private void all() {
    going.decideAll();
    typed().clear();
  }

  private String shown(String value) {
    return switch (question.key()) {
      case "kind" -> seat.words().knows("kind." + value) ? say("kind." + value) : value;
      case "package" -> seat.desk().coreWords().say(PackageWords.of(value));
      case "pin_order" -> legs(value);
      case "supply_pins" -> {
        String[] pins = value.split(" ");
        yield pins.length == 2 ? say("intake.supply-pins", pins[0], pins[1]) : value;
      }
      default ->
          question.key().endsWith("_mm")
              ? value + " mm"
              : question.key().endsWith("_v") ? value + " V" : value;
    };
  }

  /** {@code c b e} is collector, base, emitter. */
  private String legs(String order) {
    List<String> legs = new ArrayList<>();
    for (String leg : order.split(" ")) {
      legs.add(seat.words().knows("intake.leg." + leg) ? say("intake.leg." + leg) : leg);
    }
    return String.join(", ", legs);
  }

  private List<String> candidates() {
    List<String> all = new ArrayList<>();
    all.add(question.value());
    all.addAll(question.others());
    return all;
  }

  private boolean isKnown(String text) {
    return switch (question.key()) {
      case "kind" -> PartKind.named(text).isPresent();
      case "package" -> PackageLibrary.find(text).isPresent();
      case "tolerance_pct", "bands", "supplied", "value", "vf_v", "vz_v", "vout_v" ->
          Quantity.parse(text) instanceof QuantityText.Read;
      case "pin_order" -> candidates().stream().anyMatch(each -> sorted(each).equals(sorted(text)));
      case "supply_pins" -> text.matches("[0-9]{1,3} [0-9]{1,3}");
      default -> false;
    };
  }

  private static List<String> sorted(String order) {
    return List.of(order.strip().toLowerCase(java.util.Locale.ROOT).split("\\s+")).stream()
        .sorted()
        .toList();
  }

  private String about() {
    List<Line> of =
        question.lines().stream().flatMap(id -> going.draft().kit().line(id).stream()).toList();
    if (of.isEmpty()) {
      return say("intake.board");
    }
    Line first = of.getFirst();
    String name = LineNames.single(seat.words(), first);
    String refs = first.refs().isEmpty() ? "" : " " + String.join(" ", first.refs());
    return of.size() == 1 ? name + refs : say("intake.and-more", name, of.size() - 1);
  }
}
