package humble.desktop.load;

import humble.core.build.BuildEvent;
import humble.core.kit.Setting;
import humble.core.settings.BoardSays;
import humble.core.settings.SettingsCheck;
import humble.core.settings.SettingsEdit;
import humble.core.settings.SettingsText;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import humble.formats.InputFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Asks for one setting beside the program, in the maker's language, and writes it in its place. */
final class SettingHand extends LoadHand {
  private static final int MOST = 9;
  private static final String HIDDEN = "…";

  private final SettingsFiles files;
  private final Setting setting;
  private final Optional<String> before;
  private String trouble = "";

  SettingHand(LoadBench bench, Setting setting) {
    super(bench, bench.next());
    this.files = bench.settings();
    this.setting = setting;
    this.before = files.before(setting);
  }

  @Override
  public Card card() {
    String title = setting.question().isEmpty() ? setting.id() : setting.question();
    Card.Maker card = seat.card(say("load.setting.kicker", setting.file()), title);
    SettingsText text = files.text(setting.file()).orElse(null);
    if (text == null) {
      card.verdict(false, files.trouble(setting.file()));
      return later(card).notYet(say("load.setting.none"));
    }
    SettingsCheck.Judged now = SettingsCheck.of(setting, text);
    Card.Maker asked =
        switch (setting.rule()) {
          case Setting.Rule.OneOf group -> choices(card, group, now);
          case Setting.Rule.Value value -> value(card, value, now);
        };
    Optional<BoardSays> board = files.board(setting);
    boolean against = board.filter(says -> !says.agrees(now.on())).isPresent();
    board.ifPresent(says -> asked.how(say("load.setting.board", label(says.value()), says.from())));
    if (!trouble.isEmpty()) {
      asked.verdict(false, trouble);
    } else if (!now.problem().isEmpty()) {
      asked.verdict(false, now.problem());
    } else if (against && !now.on().isEmpty()) {
      asked.verdict(false, say("load.setting.against", label(now.on().getFirst())));
    }
    asked.why(say("load.setting.where", files.shown(setting.file())));
    if (setting.isPrivate()) {
      asked.why(say("load.setting.private"));
    }
    later(asked);
    String typed = typed().text().strip();
    if (typed.isEmpty()) {
      before.ifPresent(was ->
          asked.key(
              Card.ESC,
              say("load.setting.before", shown(label(was))),
              () -> set(SettingsCheck.bare(was))));
    }
    if (!typed.isEmpty()) {
      return asked.go(say("load.setting.set", shown(typed)), () -> set(written(typed)));
    }
    if (against && trouble.isEmpty()) {
      String says = board.orElseThrow().value();
      if (now.problem().isEmpty() && !now.on().isEmpty()) {
        asked.key('+', say("load.setting.all-the-same"), () -> made(now.on().getFirst()));
      }
      return asked.go(say("load.setting.set", label(says)), () -> set(says));
    }
    return now.problem().isEmpty() && !now.on().isEmpty()
        ? asked.go(
            say("load.setting.keep", shown(label(now.on().getFirst()))),
            () -> made(now.on().getFirst()))
        : asked.notYet(
            say(
                setting.rule() instanceof Setting.Rule.OneOf
                    ? "load.setting.choose"
                    : "load.setting.type"));
  }

  private Card.Maker later(Card.Maker card) {
    return card.key(
        '.', say("wake.later"), () -> open.act(new BuildEvent.SettingMade(setting.id(), "")));
  }

  private Card.Maker choices(Card.Maker card, Setting.Rule.OneOf group, SettingsCheck.Judged now) {
    card.how(say("load.setting.one-of"));
    List<String> names = group.names();
    for (int i = 0; i < Math.min(MOST, names.size()); i++) {
      String name = names.get(i);
      card.choice(
          i + 1,
          now.on().contains(name) ? Standing.NOW : Standing.TO_DO,
          say("mend.choice", i + 1, label(name)),
          () -> set(name));
    }
    return card;
  }

  private Card.Maker value(Card.Maker card, Setting.Rule.Value value, SettingsCheck.Judged now) {
    Double low = value.low();
    Double high = value.high();
    if (low != null && high != null) {
      card.how(say("load.setting.range", low, high, value.unit()));
    }
    if (!now.on().isEmpty() && !now.on().getFirst().matches("(\"\")?")) {
      card.how(say("load.setting.now", shown(now.on().getFirst())));
    }
    return card.field(
        typed().text(),
        value.unit(),
        value.words() ? Takes.TEXT : low == null || low < 0 ? Takes.SIGNED : Takes.DIGITS);
  }

  private String label(String name) {
    return setting.rule() instanceof Setting.Rule.OneOf group
        ? group.labels().getOrDefault(name, name)
        : name;
  }

  private String shown(String value) {
    return setting.isPrivate() ? HIDDEN : value;
  }

  /** Words as they are in the bytes of the file. */
  private static String written(String typed) {
    return new String(typed.getBytes(StandardCharsets.UTF_8), StandardCharsets.ISO_8859_1);
  }

  private void set(String value) {
    SettingsText text = files.text(setting.file()).orElseThrow();
    switch (SettingsEdit.of(text, List.of(setting), Map.of(setting.id(), value))) {
      case SettingsEdit.Outcome.Refused refused -> trouble = String.join(" ", refused.problems());
      case SettingsEdit.Outcome.Edited edited -> {
        try {
          if (!edited.changes().isEmpty()) {
            files.write(setting.file(), edited.text());
          }
          made(value);
        } catch (IOException e) {
          trouble = setting.file() + ": " + InputFile.reason(e);
        }
      }
    }
  }

  private void made(String value) {
    typed().clear();
    open.act(
        new BuildEvent.SettingMade(
            setting.id(), setting.isPrivate() ? HIDDEN : value.replace("\"", "")));
  }
}
