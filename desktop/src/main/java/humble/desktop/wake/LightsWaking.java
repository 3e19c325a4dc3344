package humble.desktop.wake;

import humble.bench.PracticeBench;
import humble.core.kit.Board;
import humble.core.kit.BoardState;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.core.wake.LightMatrix;
import humble.core.wake.LightNumbers;
import humble.core.words.Words;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Lights of a matrix: each shines at its own turn, the numbers of the dark ones are typed, and what
 * they have in common is deduced. Fact {@code dark}: the numbers that stayed dark.
 */
final class LightsWaking extends WakeHand {
  private static final int MOST_SUSPECTS = 3;

  private final Peripheral.Matrix matrix;
  private final LightMatrix reckoning;
  private final Set<Integer> dark = new TreeSet<>();
  private boolean ran;
  private @Nullable Set<Integer> simulatedDark;

  private LightsWaking(WakeBench bench, Peripheral.Matrix matrix) {
    super(bench, matrix);
    this.matrix = matrix;
    this.reckoning = new LightMatrix(open.built(), matrix);
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return peripheral instanceof Peripheral.Matrix matrix
        ? Optional.of(new LightsWaking(bench, matrix))
        : Optional.empty();
  }

  /** What is cautioned of at one of its lights is cautioned of when all of them shine. */
  @Override
  protected List<String> concerns() {
    List<String> names = new ArrayList<>(super.concerns());
    matrix.lights().stream()
        .map(Peripheral.Light::ref)
        .filter(ref -> !ref.isEmpty())
        .forEach(names::add);
    return names;
  }

  @Override
  public Card card() {
    return ran ? which() : first();
  }

  private Card first() {
    Card.Maker card = begun(say("wake.lights.title"));
    card.how(say("wake.lights.how", matrix.lights().size()));
    return begins(card, "wake.lights.run", "wake.lights.own", this::run);
  }

  private void run() {
    simulatedDark = null;
    if (open.practiceOn()) {
      BoardState state = bench.powered().orElse(null);
      PracticeBench practice = open.practice();
      ask(
          List.of(),
          () ->
              state == null
                  ? new WakeBench.Answer.Trouble<>(say("wake.no-state"))
                  : new WakeBench.Answer.Shown<>(practice.darkLights(matrix, state)),
          shown -> {
            simulatedDark = shown;
            ran = true;
          });
    } else {
      ran = true;
    }
  }

  private Card which() {
    Card.Maker card = begun(say("wake.lights.which"));
    card.how(say("wake.lights.which.how"));
    card.field(typed().text(), say("wake.lights.unit"));
    Optional<Integer> number = number();
    if (!typed().isEmpty() && number.isEmpty()) {
      card.verdict(false, say("wake.lights.no-such", matrix.lights().size()));
    } else if (!dark.isEmpty()) {
      card.verdict(false, say("wake.lights.dark", List.copyOf(dark)));
      reckoning.suspects(dark, Set.of()).stream()
          .limit(MOST_SUSPECTS)
          .forEach(suspect -> card.row(Standing.TO_DO, suspected(suspect)));
    }
    if (simulatedDark != null) {
      card.why(say("wake.simulated"));
    }
    if (!typed().isEmpty()) {
      return number
          .map(n ->
              card.go(
                  say(dark.contains(n) ? "wake.lights.unmark" : "wake.lights.mark", n),
                  () -> mark(n)))
          .orElseGet(() -> card.notYet(say("wake.lights.number")));
    }
    return card.go(
        say(dark.isEmpty() ? "wake.lights.all" : "wake.lights.write", dark.size()), this::write);
  }

  private Optional<Integer> number() {
    return typed().text().matches("[0-9]{1,6}")
        ? Optional.of(Integer.parseInt(typed().text()))
            .filter(number -> number >= 1 && number <= matrix.lights().size())
        : Optional.empty();
  }

  private void mark(int number) {
    if (!dark.remove(number)) {
      dark.add(number);
    }
    typed().clear();
  }

  private void write() {
    Map<String, String> facts = Map.of("dark", LightNumbers.text(dark));
    if (dark.isEmpty()) {
      open.act(saw(facts, simulatedDark != null), woke());
    } else {
      open.act(saw(facts, simulatedDark != null));
    }
    ran = false;
    dark.clear();
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    Set<Integer> unlit = simulatedDark;
    return Optional.of(
        new Lights(
            open.built(),
            matrix,
            ran,
            ran && unlit != null,
            unlit == null ? Set.of() : unlit,
            Set.copyOf(dark),
            open.onBoard(),
            seat.words()));
  }

  /** What shines on the practice bench, and what was marked dark. */
  private record Lights(
      Parts parts,
      Peripheral.Matrix matrix,
      boolean ran,
      boolean simulated,
      Set<Integer> unlit,
      Set<Integer> dark,
      Set<String> fitted,
      Words words)
      implements Waking.Picture {
    @Override
    public void paint(Pen pen, double x, double y, double w, double h) {
      if (parts.kit().boards().isEmpty()) {
        return;
      }
      Board board = parts.kit().boards().getFirst();
      BoardPicture picture =
          new BoardPicture(parts, new BoardView(board, Side.TOP, 0), x, y, w, h - 24);
      picture.paint(pen, fitted, Set.of(), Set.of());
      for (int number = 1; number <= matrix.lights().size(); number++) {
        int n = number;
        parts
            .part(matrix.lights().get(number - 1).ref())
            .flatMap(Part::placed)
            .ifPresent(place -> light(pen, n, picture.px(place.at())));
      }
      pen.text(
          words.say(simulated ? "wake.lights.legend" : "wake.lights.numbers"),
          x + w / 2,
          y + h - 6,
          15,
          Token.INK_SOFT,
          Pen.Hang.MIDDLE);
    }

    private void light(Pen pen, int number, double[] at) {
      boolean marked = dark.contains(number);
      boolean shines = simulated && !unlit.contains(number);
      if (shines) {
        pen.glow(at[0], at[1], 24, Token.FLUX);
      }
      if (marked) {
        pen.diamond(at[0], at[1], 18, Token.ALARM);
      } else {
        Token fill = shines ? Token.FLUX_PALE : ran ? Token.CARD : Token.TIN;
        pen.disc(at[0], at[1], 14, fill, Token.INK, shines ? 2.5 : 1.2);
      }
      Token ink = marked ? Token.CARD : Token.INK;
      pen.bold(Integer.toString(number), at[0], at[1], 14, ink, Pen.Hang.MIDDLE);
    }
  }
}
