package humble.desktop.own;

import humble.core.kit.Finding;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.formats.WholeFile;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;

/** Saves the kit with all that was told of it: as a folder, or as one file to hand on. */
final class KeepHand extends Hand {
  private static final String FOLDER = "published";
  private static final int MOST_SHOWN = 4;

  private final OwnBench bench;
  private List<Finding> findings = List.of();
  private boolean checked;
  private String kept = "";
  private String trouble = "";
  private boolean over;

  KeepHand(OwnBench bench) {
    super(bench.seat());
    this.bench = bench;
    KitFolder folder = bench.open().folder();
    own(
        bench
            .open()
            .works()
            .start(
                calledOff ->
                    switch (folder.read()) {
                      case KitRead.Opened opened -> opened.findings();
                      case KitRead.Refused refused -> refused.findings();
                    },
                found -> {
                  findings = found;
                  checked = true;
                }));
  }

  @Override
  public boolean over() {
    return over;
  }

  private boolean isSound() {
    return findings.stream().noneMatch(Finding::isError);
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(
            say("own.keep.kicker"), kept.isEmpty() ? say("own.keep.title") : say("own.keep.kept"));
    if (!trouble.isEmpty()) {
      card.verdict(false, trouble);
    } else if (!kept.isEmpty()) {
      card.verdict(true, kept);
    }
    long warnings = findings.stream().filter(f -> f.level() == Finding.Level.WARNING).count();
    card.how(
        !checked
            ? say("own.keep.checking")
            : isSound() ? say("own.keep.sound", warnings) : say("own.keep.unsound"));
    if (!bench.guessed().isEmpty()) {
      card.how(say("own.keep.guessed", bench.guessed().size()));
    }
    findings.stream()
        .filter(finding -> finding.level() != Finding.Level.NOTE)
        .limit(MOST_SHOWN)
        .forEach(finding -> card.row(Standing.DEVIATED, finding.toString()));
    card.choice(1, Standing.TO_DO, say("own.keep.archive"), () -> keep(".hckit"));
    card.choice(2, Standing.TO_DO, say("own.keep.folder"), () -> keep(""));
    card.key(Card.BACK, say("own.keep.back"), () -> over = true);
    card.silent('.', () -> over = true);
    card.why(say("own.keep.why"));
    return card.go(say("own.keep.back"), () -> over = true);
  }

  private void keep(String ending) {
    kept = "";
    trouble = "";
    KitFolder folder = bench.open().folder();
    Path home = bench.session().home();
    String id = bench.kit().id();
    // A kit may bring hundreds of megabytes along.
    own(bench.open().works().start(calledOff -> written(folder, home, id, ending), this::told));
  }

  /** What became of saving: where it is, or why it is nowhere. */
  private record Written(String at, String trouble) {}

  private static Written written(KitFolder folder, Path home, String id, String ending) {
    try {
      Path within = Files.createDirectories(home.resolve(FOLDER));
      Path at = WholeFile.unused(WholeFile.within(within, id, ending));
      folder.writeTo(at, false);
      return new Written(at.toString(), "");
    } catch (IOException e) {
      return new Written("", String.valueOf(e.getMessage()));
    }
  }

  private void told(Written written) {
    trouble = written.trouble();
    kept = written.at().isEmpty() ? "" : say("own.keep.at", written.at());
  }

  @Override
  public Mat mat() {
    return bench.mat(say("own.keep.mat"), List.of(), List.of(), Set.of(), OwnMat.Answers.NOTHING);
  }
}
