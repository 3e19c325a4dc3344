package humble.desktop.beside;

import humble.bench.line.CardCopy;
import humble.bench.line.CardDrives;
import humble.core.build.BuildEvent;
import humble.core.kit.CardFolder;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.Errand;
import humble.desktop.session.OwnFiles;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The files of a memory card: chosen where, laid there, read back. */
final class CardHand extends Hand {
  private static final int MOST = 8;

  private final BesideBench bench;
  private final CardFolder folder;
  private List<Path> drives = List.of();
  private @Nullable Path chosen;
  private List<CardCopy.Laid> laid = List.of();
  private volatile double share;
  private Errand<?> working = Errand.over();
  private boolean looked;

  CardHand(BesideBench bench, CardFolder folder) {
    super(bench.seat());
    this.bench = bench;
    this.folder = folder;
    look();
  }

  private void look() {
    working =
        own(
            bench
                .open()
                .works()
                .talk(
                    "cards",
                    calledOff -> CardDrives.all(),
                    found -> {
                      drives = found;
                      looked = true;
                    }));
  }

  private boolean practice() {
    return bench.open().practiceOn();
  }

  private Optional<Path> root() {
    Path own = chosen;
    if (own != null) {
      return Optional.of(own);
    }
    try {
      return practice() ? Optional.of(bench.files().practiceCard(folder.id())) : Optional.empty();
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(
            say("beside.kicker", folder.id()),
            folder.title().isEmpty() ? folder.id() : folder.title());
    card.how(say("beside.card.how", folder.files().size(), folder.system().name()));
    if (!working.isRunning() || !looked) {
      card.key('.', say("wake.later"), () -> bench.leave(folder.id()));
    }
    if (working.isRunning()) {
      card.key(Card.ESC, say("load.stop"), working::cancel);
      return card.notYet(
          looked ? say("beside.card.laying", Math.round(share * 100)) : say("beside.card.looking"));
    }
    if (!laid.isEmpty()) {
      return judged(card);
    }
    Path now = root().orElse(null);
    List<Path> offered = drives.stream().limit(MOST).toList();
    for (int i = 0; i < offered.size(); i++) {
      Path each = offered.get(i);
      card.choice(
          i + 1,
          each.equals(now) ? Standing.NOW : Standing.TO_DO,
          say("mend.choice", i + 1, each),
          () -> chosen = each);
    }
    card.key('0', say("beside.card.look"), this::look);
    if (now == null) {
      return card.notYet(say(offered.isEmpty() ? "beside.card.none" : "load.setting.choose"));
    }
    if (chosen == null) {
      card.why(say("beside.card.simulated", bench.files().shown("practice-card-" + folder.id())));
    }
    return card.go(say("beside.card.go"), () -> lay(now, false));
  }

  private Card judged(Card.Maker card) {
    boolean others = laid.stream().anyMatch(each -> each.state() == CardCopy.State.OTHER);
    boolean good =
        laid.size() == folder.files().size()
            && laid.stream()
                .allMatch(each ->
                    each.state() == CardCopy.State.COPIED || each.state() == CardCopy.State.SAME);
    laid.stream()
        .filter(each -> each.why().isPresent())
        .limit(MOST)
        .forEach(each -> card.row(Standing.TO_DO, seat.say(each.why().orElseThrow())));
    card.key(Card.ESC, say("beside.card.another"), this::anew);
    if (chosen == null && practice()) {
      card.why(say("beside.card.simulated", bench.files().shown("practice-card-" + folder.id())));
    }
    if (good) {
      card.verdict(true, say("beside.card.good", laid.size()));
      if (!folder.expect().isEmpty()) {
        card.how(say("beside.card.expect", folder.expect()));
      }
      return card.go(say("beside.card.done"), this::done);
    }
    if (others) {
      card.verdict(false, say("beside.card.others"));
      return card.go(say("beside.card.replace"), () -> lay(root().orElseThrow(), true));
    }
    card.verdict(false, say("beside.card.bad"));
    return card.go(say("beside.card.again"), this::anew);
  }

  private void anew() {
    laid = List.of();
    chosen = null;
    look();
  }

  private void lay(Path root, boolean replace) {
    OwnFiles files = bench.files();
    share = 0;
    working =
        own(
            bench
                .open()
                .works()
                .talk(
                    "card " + root,
                    calledOff ->
                        new CardCopy(root)
                            .copy(folder, files::bytes, replace, this::sent, calledOff),
                    found -> laid = found));
  }

  private void sent(double done) {
    share = done;
    bench.open().works().tell();
  }

  private void done() {
    bench
        .open()
        .act(
            new BuildEvent.BesideDone(
                folder.id(),
                BuildEvent.BesideDone.CARD,
                laid.size(),
                true,
                chosen == null && practice(),
                ""));
  }

  @Override
  public Mat mat() {
    Map<String, CardCopy.State> states = new HashMap<>();
    laid.forEach(each -> states.put(each.file().to(), each.state()));
    List<BesideMat.Line> lines = new ArrayList<>();
    for (CardFolder.Placed file : folder.files()) {
      CardCopy.State state = states.get(file.to());
      String standing =
          state == null
              ? "todo"
              : switch (state) {
                case COPIED, SAME -> "done";
                case OTHER, FAILED -> "ailing";
                case MISSING -> "todo";
              };
      lines.add(new BesideMat.Line(standing, file.to().replace("/", " / "), file.from()));
    }
    return BesideMat.of(seat, folder.title().isEmpty() ? folder.id() : folder.title(), lines);
  }
}
