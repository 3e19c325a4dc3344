package humble.desktop.wake;

import humble.bench.SimulatedWake;
import humble.core.kit.Peripheral;
import humble.core.wake.LightChain;
import humble.core.wake.LightSuspect;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Lights in a chain: the number of the first dark one is typed, and why it may be is told. Facts:
 * {@code dark-from} and {@code answer}.
 */
final class ChainWaking extends WakeHand {
  private static final int MOST_SUSPECTS = 3;

  private final Peripheral.Chain chain;
  private boolean ran;
  private SimulatedWake.@Nullable ChainShows simulated;

  private ChainWaking(WakeBench bench, Peripheral.Chain chain) {
    super(bench, chain);
    this.chain = chain;
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return peripheral instanceof Peripheral.Chain chain
        ? Optional.of(new ChainWaking(bench, chain))
        : Optional.empty();
  }

  private int before() {
    String text = bench.facts(chain).getOrDefault("dark-from", "0");
    return text.matches("[0-9]{1,5}") ? Math.min(Integer.parseInt(text), chain.count()) : 0;
  }

  @Override
  protected Card test() {
    return ran ? which() : first();
  }

  private Card first() {
    Card.Maker card = words.prepared(begun(words.title()));
    card.how(say("wake.chain.how", chain.count(), chain.order()));
    card.why(
        say(
            "wake.chain.ma",
            Math.round(new LightChain(chain.count()).ma(chain.maFull(), 1)),
            Math.round(new LightChain(chain.count()).ma(chain.maFull(), 0.1))));
    beside(card);
    if (!ails().isEmpty()) {
      card.verdict(false, say("wake.chain.from", before()));
      suspects(before()).forEach(s -> card.row(Standing.TO_DO, suspected(s)));
      card.choice(1, Standing.TO_DO, say("mend.choice", 1, say("wake.again")), this::run);
      return card.go(say("wake.mend"), this::mend);
    }
    return begins(card, "wake.chain.run", "wake.chain.own", this::run);
  }

  private List<LightSuspect> suspects(int darkFrom) {
    return new LightChain(chain.count())
        .suspects(darkFrom, Set.of()).stream().limit(MOST_SUSPECTS).toList();
  }

  private void run() {
    simulated = null;
    if (!open.practiceOn() || chain.refs().isEmpty()) {
      ran = true;
      return;
    }
    practise(
        (practice, state) -> Optional.of(practice.wake().chain(chain, state)),
        shown -> {
          simulated = shown;
          typed().show(shown.darkFrom() == 0 ? "" : Integer.toString(shown.darkFrom()));
          ran = true;
        });
  }

  private Card which() {
    Card.Maker card = begun(say("wake.chain.which")).how(say("wake.chain.which.how"));
    card.field(typed().text(), say("wake.lights.unit"));
    if (simulated != null) {
      card.why(say("wake.simulated"));
    }
    if (typed().isEmpty()) {
      return card.go(say("wake.chain.all"), () -> write(0));
    }
    if (!typed().text().matches("[0-9]{1,5}")
        || Integer.parseInt(typed().text()) < 1
        || Integer.parseInt(typed().text()) > chain.count()) {
      card.verdict(false, say("wake.lights.no-such", chain.count()));
      return card.notYet(say("wake.number"));
    }
    int from = Integer.parseInt(typed().text());
    suspects(from).forEach(s -> card.row(Standing.TO_DO, suspected(s)));
    return card.go(say("wake.chain.write", from), () -> write(from));
  }

  private void write(int from) {
    typed().clear();
    ran = false;
    answered(Map.of("dark-from", Integer.toString(from)), from == 0, simulated != null);
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    int typed = typed().text().matches("[0-9]{1,5}") ? Integer.parseInt(typed().text()) : 0;
    int dark = ran ? typed : before();
    if (!chain.refs().isEmpty()) {
      Set<Integer> marked =
          dark == 0
              ? Set.of()
              : IntStream.rangeClosed(dark, chain.count())
                  .boxed()
                  .collect(java.util.stream.Collectors.toSet());
      return Optional.of(
          TestPicture.of(open, chain, seat.words())
              .numbered(chain.refs(), List.of(marked), say("wake.chain.legend")));
    }
    return Optional.of(new Strip(chain.count(), dark));
  }

  /** A strip of lights that are no parts of the kit, in rows that wind. */
  private record Strip(int count, int darkFrom) implements Waking.Picture {
    private static final int A_ROW = 12;

    @Override
    public void paint(Pen pen, double x, double y, double w, double h) {
      int rows = (count + A_ROW - 1) / A_ROW;
      double step = Math.min(w / A_ROW, h / Math.max(1, rows));
      for (int i = 0; i < count; i++) {
        int row = i / A_ROW;
        int column = row % 2 == 0 ? i % A_ROW : A_ROW - 1 - i % A_ROW;
        double cx = x + (column + 0.5) * step;
        double cy = y + (row + 0.5) * step;
        boolean dark = darkFrom > 0 && i + 1 >= darkFrom;
        pen.disc(cx, cy, step * 0.36, dark ? Token.FIELD : Token.FLUX, Token.INK, 1.5);
        pen.bold(
            Integer.toString(i + 1), cx, cy, Math.max(12, step * 0.26), Token.INK, Pen.Hang.MIDDLE);
      }
    }
  }
}
