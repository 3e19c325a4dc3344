package humble.formats.report;

import humble.core.book.Ledger;
import humble.core.build.Build;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.words.ForeignText;
import humble.core.words.Words;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What was short in the bag, as a list to send to the seller. */
public final class SellerList {
  private SellerList() {}

  /** Gives what waits for the post. */
  public static List<Ledger.Stock> of(Kit kit, Build build) {
    return Ledger.of(kit, build, ZoneId.systemDefault()).waits();
  }

  /** Gives the list as text, in UTF-8; a line for each part, with what is there and what not. */
  public static byte[] bytes(Kit kit, Build build) {
    Words words = Words.of("humble.formats.report.report", Locale.getDefault());
    StringBuilder text = new StringBuilder();
    text.append(words.say("seller.head", ForeignText.shown(kit.name()), kit.revision()))
        .append("\n\n");
    for (Ledger.Stock stock : of(kit, build)) {
      Optional<Line> line =
          kit.lines().stream().filter(each -> each.id().equals(stock.item())).findFirst();
      text.append(
              words.say(
                  "seller.line",
                  -stock.over(),
                  ForeignText.shown(line.map(SellerList::named).orElse(stock.item())),
                  counted(build, stock) - stock.over(),
                  counted(build, stock)))
          .append('\n');
      line.filter(each -> !each.refs().isEmpty())
          .ifPresent(each ->
              text.append("   ")
                  .append(ForeignText.shown(String.join(", ", each.refs())))
                  .append('\n'));
    }
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }

  private static int counted(Build build, Ledger.Stock stock) {
    return build.counted().getOrDefault(stock.item(), 0);
  }

  private static String named(Line line) {
    String marked = line.marking().isEmpty() ? "" : ", \u201c" + line.marking() + "\u201d";
    return (line.value().isEmpty() ? "" : line.value() + " ")
        + line.kind().text().replace('-', ' ')
        + ", "
        + line.packageId()
        + marked;
  }
}
