package humble.core.beside;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Channels;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ChannelTableTest {
  private static final Channels RULE =
      new Channels(
          "memories",
          "m.csv",
          "",
          "hz",
          433_050_000.0,
          434_790_000.0,
          25_000.0,
          List.of("name", "hz"),
          4,
          6,
          true,
          true);

  private static ChannelTable table(String... rows) {
    List<ChannelTable.Row> all = new ArrayList<>();
    for (String row : rows) {
      all.add(new ChannelTable.Row(all.size() + 2, List.of(row.split(",", -1))));
    }
    return new ChannelTable(List.of("name", "hz"), all);
  }

  private static List<String> said(ChannelTable table, ChannelTable.Limits limits) {
    return table.problems(RULE, limits).stream()
        .map(each -> each.line() + " " + each.text())
        .toList();
  }

  @Test
  void everyFaultIsSaidWithItsLineAndNoneElse() {
    assertThat(
            said(
                table("quay,433050000", "lock,433075000", "pier,434775000"),
                ChannelTable.Limits.NONE))
        .isEmpty();
    assertThat(
            said(
                table(
                    "quay,433050000",
                    "QUAY,433060000",
                    "harbour mouth,433050000.0",
                    "pier,434800000",
                    "x,none"),
                ChannelTable.Limits.NONE))
        .containsExactly(
            "3 433060000 is on no step of 25000: the nearest is 433050000.",
            "3 name stands on line 2 already.",
            "4 It is not above the one before.",
            "4 hz stands on line 2 already.",
            "4 The name has 13 letters; 6 are shown.",
            "5 434800000 is above 434790000.",
            "6 hz is not a number.",
            "6 There are 5 channels; 4 are taken.");
    assertThat(said(table(), ChannelTable.Limits.NONE))
        .containsExactly("1 There is no channel in it.");
    assertThat(
            new ChannelTable(List.of("name"), List.of()).problems(RULE, ChannelTable.Limits.NONE))
        .singleElement()
        .satisfies(each -> assertThat(each.text()).startsWith("There is no column 'hz'"));
  }

  /** A limit is the maker's: nothing but what they state is held against a channel. */
  @Test
  void theLimitsThatAreStatedCountAndNoOthers() {
    ChannelTable table = table("quay,433050000", "lock,433500000");
    assertThat(said(table, new ChannelTable.Limits(433_100_000.0, 433_400_000.0)))
        .containsExactly(
            "2 433050000 is below the limit you state, 433100000.",
            "3 433500000 is above the limit you state, 433400000.");
    assertThat(said(table, new ChannelTable.Limits(null, null))).isEmpty();
  }

  /** The nearest step is a step, within the band, and none is nearer: tried against all of them. */
  @Test
  void theNearestStepIsTheNearestOfAll() {
    Random random = new Random(5);
    for (int i = 0; i < 500; i++) {
      long hz = 433_050_000L + random.nextInt(1_740_001);
      List<ChannelTable.Problem> found = table("a," + hz).problems(RULE, ChannelTable.Limits.NONE);
      long best = Long.MAX_VALUE;
      for (long step = 433_050_000L; step <= 434_790_000L; step += 25_000) {
        best = Math.min(best, Math.abs(step - hz));
      }
      if (best == 0) {
        assertThat(found).isEmpty();
      } else {
        long nearest = Long.parseLong(String.valueOf(found.getFirst().nearest()));
        assertThat(Math.abs(nearest - hz)).isEqualTo(best);
        assertThat(nearest).isBetween(433_050_000L, 434_790_000L);
        assertThat((nearest - 433_050_000L) % 25_000).isZero();
      }
    }
  }
}
