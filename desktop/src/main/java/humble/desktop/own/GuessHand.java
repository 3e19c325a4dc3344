package humble.desktop.own;

import humble.core.kit.Board;
import humble.core.kit.Line;
import humble.core.kit.Model;
import humble.core.kit.Supply;
import humble.core.own.Edit;
import humble.core.own.Follows;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Shows what was guessed, one after the other: it is so, or it is typed as it is. */
final class GuessHand extends Hand {
  private static final double MOST_MM = 20;

  private final OwnBench bench;
  private int index;
  private boolean over;

  GuessHand(OwnBench bench) {
    super(bench.seat());
    this.bench = bench;
  }

  @Override
  public boolean over() {
    return over || bench.guessed().isEmpty();
  }

  /**
   * One guess in words.
   *
   * @param text what was guessed
   * @param unit what its number counts in; empty where nothing can be typed
   */
  private record Told(String text, String unit) {}

  private String guess() {
    List<String> all = List.copyOf(bench.guessed());
    return all.get(index % all.size());
  }

  private static String of(String guess) {
    return guess.substring(guess.indexOf(':') + 1);
  }

  private Told told(String guess) {
    String of = of(guess);
    String kind = guess.substring(0, guess.indexOf(':'));
    return switch (kind) {
      case "limit" ->
          new Told(
              say("own.guess.limit", bench.kit().supply(of).map(Supply::limitMa).orElse(0.0)),
              "mA");
      case "thickness" ->
          new Told(
              say("own.guess.thickness", bench.kit().board(of).map(Board::thicknessMm).orElse(0.0)),
              "mm");
      case "model" ->
          bench.kit().lineOf(of).map(Line::model).orElse(null) instanceof Model.Load load
              ? new Told(say("own.guess.load", of, load.ma()), "mA")
              : new Told(say("own.guess.model", of), "");
      case "package" ->
          new Told(
              say("own.guess.package", of, bench.kit().lineOf(of).map(Line::packageId).orElse("")),
              "");
      case "socket" ->
          new Told(say("own.guess.socket", of, bench.parts().socketOf(of).orElse("")), "");
      case "turn" -> new Told(say("own.guess.turn", of), "");
      case "net" -> new Told(say("own.guess.net", of), "");
      case "photo" -> new Told(say("own.guess.photo", of), "");
      default -> new Told(guess, "");
    };
  }

  @Override
  public Card card() {
    String guess = guess();
    Told told = told(guess);
    Card.Maker card = seat.card(say("own.guess.kicker", bench.guessed().size()), told.text());
    card.how(say("own.guess.how"));
    bench.trouble(card);
    card.key('+', say("own.guess.next"), () -> index++);
    card.key('.', say("own.join.leave"), () -> over = true);
    card.key(Card.BACK, say("key.take-back"), bench::takeBack);
    if (told.unit().isEmpty()) {
      return card.go(say("own.guess.go"), () -> looked(guess, Follows.nothing(), told.text()));
    }
    card.field(typed().text(), told.unit(), Takes.DIGITS);
    Optional<Double> number = number();
    if (typed().isEmpty()) {
      return card.go(say("own.guess.go"), () -> looked(guess, Follows.nothing(), told.text()));
    }
    Optional<Follows> follows = number.flatMap(n -> changed(guess, n));
    return follows.isPresent()
        ? card.go(
            say("own.guess.is", typed().text(), told.unit()),
            () -> looked(guess, follows.get(), typed().text() + " " + told.unit()))
        : card.notYet(say("own.guess.number"));
  }

  private Optional<Double> number() {
    return Quantity.parse(typed().text()) instanceof QuantityText.Read read && read.value() > 0
        ? Optional.of(read.value())
        : Optional.empty();
  }

  private Optional<Follows> changed(String guess, double number) {
    String of = of(guess);
    Optional<Edit> edit =
        guess.startsWith("limit:")
            ? bench.kit().supply(of).map(s -> new Edit.PutSupply(s.with(s.volts(), number)))
            : guess.startsWith("thickness:")
                ? bench
                    .kit()
                    .board(of)
                    .filter(b -> number <= MOST_MM)
                    .map(b -> new Edit.PutBoard(b.thick(number)))
                : bench
                    .kit()
                    .lineOf(of)
                    .filter(line -> line.model() instanceof Model.Load)
                    .map(line -> new Edit.ActsAs(line.id(), drawing(line, number)));
    return edit.map(e -> new Follows(List.of(e), List.of()));
  }

  private static Model drawing(Line line, double ma) {
    Model.Load load = (Model.Load) java.util.Objects.requireNonNull(line.model());
    return new Model.Load(
        load.plus(),
        load.minus(),
        ma,
        load.minV(),
        load.outputsRonOhm(),
        load.spreadPct(),
        load.starts());
  }

  private void looked(String guess, Follows follows, String said) {
    typed().clear();
    bench.tell(guess, said, follows);
  }

  @Override
  public Mat mat() {
    String of = bench.guessed().isEmpty() ? "" : of(guess());
    Set<String> lit = bench.parts().part(of).isPresent() ? Set.of(of) : Set.of();
    return bench.mat(say("own.guess.mat"), List.of(), List.of(), lit, OwnMat.Answers.NOTHING);
  }
}
