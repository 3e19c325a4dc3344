package humble.core.firmware;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class ToggleSheetTest {
  private static ToggleSheet listing(String text, NumberBase base) {
    return ((ToggleSheet.Read.Whole<ToggleSheet>) ToggleSheet.listing(text, base)).what();
  }

  /** The same three bytes in four bases are one sheet. */
  @Test
  void aListingIsTheSameInEveryBase() {
    ToggleSheet hex =
        listing("; count\n0100: 3E 05   LOAD 5 ; five\n0102  76  HALT\n", NumberBase.HEX);
    assertThat(hex.rows())
        .containsExactly(
            new ToggleSheet.Row(0x100, 0x3e, "LOAD 5 ; five"),
            new ToggleSheet.Row(0x101, 5, ""),
            new ToggleSheet.Row(0x102, 0x76, "HALT"));
    assertThat(listing("400: 076 005\tLOAD 5 ; five\n402 166  HALT", NumberBase.OCTAL))
        .isEqualTo(hex);
    assertThat(
            listing("001 000: 076 005  LOAD 5 ; five\n001.002  166  HALT", NumberBase.SPLIT_OCTAL))
        .isEqualTo(hex);
    assertThat(
            listing(
                "100000000 00111110 00000101  LOAD 5 ; five\n100000010 01110110  HALT",
                NumberBase.BINARY))
        .isEqualTo(hex);
  }

  @Test
  void whatCannotBeReadIsToldWithItsLine() {
    assertThat(
            ((ToggleSheet.Read.Unreadable<ToggleSheet>)
                    ToggleSheet.listing("0000 3E\nhello\n0001 zz\n0000 3F\n", NumberBase.HEX))
                .lines())
        .containsOnlyKeys(2, 3, 4)
        .hasEntrySatisfying(4, text -> assertThat(text).contains("Another byte"));
  }

  @Property
  void everyByteIsReadAsItIsWritten(
      @ForAll @IntRange(min = 0, max = 255) int value,
      @ForAll @IntRange(max = 0xffff) int address) {
    for (NumberBase base : NumberBase.values()) {
      assertThat(base.read(base.of(value))).isEqualTo(OptionalLong.of(value));
    }
    assertThat(NumberBase.HEX.of(value)).isEqualTo(String.format("%02x", value));
    assertThat(NumberBase.OCTAL.of(value)).isEqualTo(String.format("%03o", value));
    assertThat(Integer.parseInt(NumberBase.BINARY.of(value), 2)).isEqualTo(value);
    assertThat(NumberBase.SPLIT_OCTAL.read(NumberBase.split(address)))
        .isEqualTo(OptionalLong.of(address));
    assertThat(NumberBase.split(0xffff)).isEqualTo("377 377");
  }

  /** One switch that stands otherwise is named by its row and its number. */
  @Property
  void oneWrongSwitchIsNamed(
      @ForAll @IntRange(max = 19) int row, @ForAll @IntRange(max = 7) int bit) {
    StringBuilder text = new StringBuilder();
    StringBuilder back = new StringBuilder();
    for (int i = 0; i < 20; i++) {
      int value = i * 37 & 0xff;
      text.append(String.format("%04x %02x\n", 0x40 + i, value));
      int read = i == row ? value ^ 1 << bit : value;
      back.append(
          i % 3 == 0
              ? String.format("%04X: %02X\n", 0x40 + i, read)
              : String.format("%02x\n", read));
    }
    ToggleSheet sheet = listing(text.toString(), NumberBase.HEX);
    ToggleSheet.ReadBack read =
        ((ToggleSheet.Read.Whole<ToggleSheet.ReadBack>)
                sheet.readBack(back.toString(), NumberBase.HEX))
            .what();
    assertThat(sheet.unread(read)).isEmpty();
    assertThat(sheet.differing(read))
        .singleElement()
        .satisfies(differs -> {
          assertThat(differs.row().address()).isEqualTo(0x40 + row);
          assertThat(differs.switches()).containsExactly(bit);
        });
    assertThat(sheet.cut(0x45, 3).rows())
        .extracting(ToggleSheet.Row::address)
        .isEqualTo(List.of(0x45L, 0x46L, 0x47L));
    assertThat(sheet.differing(new ToggleSheet.ReadBack(Map.of()))).isEmpty();
    assertThat(sheet.unread(new ToggleSheet.ReadBack(Map.of()))).hasSize(20);
  }
}
