package humble.bench.panel;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Panel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class FrontPanelTest {
  private static final int[] CODES = {
    0x00, 0x01, 0x10, 0x11, 0x12, 0x13, 0x14, 0x20, 0x21, 0x22, 0x23, 0x30, 0x31, 0x32, 0x33, 0x40,
    0x41, 0x42, 0x43, 0x50, 0x51, 0x52, 0x53, 0x54, 0x60, 0x61
  };

  private static FrontPanel panel(long seed) {
    return new FrontPanel(new Random(seed), Wires.SOUND);
  }

  private static void toggle(FrontPanel panel, int... program) {
    panel.set(0);
    panel.press(Panel.Key.EXAMINE);
    for (int i = 0; i < program.length; i++) {
      panel.set(program[i]);
      panel.press(i == 0 ? Panel.Key.DEPOSIT : Panel.Key.DEPOSIT_NEXT);
    }
    panel.press(Panel.Key.RESET);
  }

  /** A thousand programs toggled in, run step by step beside an interpreter of the page alone. */
  @Test
  void aThousandRandomProgramsRunAsThePageSays() {
    Random random = new Random(88);
    int halted = 0;
    for (int program = 0; program < 1000; program++) {
      FrontPanel panel = panel(program);
      int[] bytes = new int[Processor.BYTES];
      for (int i = 0; i < bytes.length; i++) {
        boolean code = random.nextInt(3) > 0;
        bytes[i] = code ? CODES[random.nextInt(CODES.length)] : random.nextInt(256);
      }
      toggle(panel, bytes);
      int switches = random.nextInt(256);
      panel.set(switches);
      Processor.Seen at = panel.processor().seen();
      PageProcessor page =
          new PageProcessor(bytes, at.a(), 0, at.zero() ? 1 : 0, at.carry() ? 1 : 0);
      panel.press(Panel.Key.RUN);
      for (int step = 0; step < 400 && panel.processor().seen().running(); step++) {
        assertThat(panel.run(1)).isEqualTo(1);
        page.step(switches);
        assertThat(panel.processor().seen())
            .as("program %d, step %d", program, step)
            .isEqualTo(
                new Processor.Seen(
                    page.registers.get("A"),
                    page.registers.get("P"),
                    page.registers.get("Z") == 1,
                    page.registers.get("C") == 1,
                    page.registers.get("run") == 1,
                    page.registers.get("show")));
      }
      for (int i = 0; i < bytes.length; i++) {
        assertThat(panel.processor().at(i))
            .as("program %d, byte %d", program, i)
            .isEqualTo(page.memory[i]);
      }
      halted += panel.processor().seen().running() ? 0 : 1;
    }
    assertThat(halted).isGreaterThan(500);
  }

  /** Every code of the page, and no other, is one that the bench knows by name. */
  @Test
  void thePageNamesEveryInstruction() throws Exception {
    String page =
        Files.readString(Path.of(System.getProperty("humble.root", ".."), "docs", "processor.md"));
    Matcher row = Pattern.compile("(?m)^\\| ([0-9a-f]{2})(?: [na])? \\| `[A-Z]+").matcher(page);
    java.util.List<Integer> named = new java.util.ArrayList<>();
    while (row.find()) {
      named.add(Integer.parseInt(row.group(1), 16));
    }
    assertThat(named)
        .containsExactlyInAnyOrderElementsOf(java.util.Arrays.stream(CODES).boxed().toList());
  }

  @Test
  void keysDoWhatTheyAreNamedFor() {
    FrontPanel panel = panel(3);
    toggle(panel, 0x60, 0x22, 0x01, 0x61, 0x50, 0x00);
    assertThat(panel.lights()).isEqualTo(new FrontPanel.Lights(0, 0x60, false));
    panel.press(Panel.Key.EXAMINE_NEXT);
    assertThat(panel.lights()).isEqualTo(new FrontPanel.Lights(1, 0x22, false));
    panel.press(Panel.Key.RESET);
    panel.set(0x41);
    panel.press(Panel.Key.SINGLE_STEP);
    assertThat(panel.lights()).isEqualTo(new FrontPanel.Lights(1, 0x22, false));
    assertThat(panel.processor().seen().a()).isEqualTo(0x41);
    panel.press(Panel.Key.RUN);
    panel.run(2);
    assertThat(panel.lights().data()).isEqualTo(0x42);
    assertThat(panel.lights().run()).isTrue();
    panel.press(Panel.Key.DEPOSIT);
    panel.press(Panel.Key.EXAMINE);
    assertThat(panel.lights().run()).as("only stop and reset do anything").isTrue();
    panel.press(Panel.Key.STOP);
    assertThat(panel.lights().run()).isFalse();
    assertThat(panel.run(5)).isZero();
  }

  /** Wires that turn a byte on one way show at every place that the page says it goes. */
  @Test
  void everyWayIsUsedForWhatItIs() {
    for (Wires.Way way : Wires.Way.values()) {
      FrontPanel panel =
          new FrontPanel(
              new Random(1), (each, value) -> (each == way ? value ^ 0x80 : value) & 0xff);
      // INS, STA 40, OUT, HLT, toggled in over wires that are whole but for one way.
      toggle(panel, 0x60, 0x12, 0x40, 0x61, 0x01);
      panel.set(0x05);
      FrontPanel.Lights begin = panel.lights();
      panel.press(Panel.Key.RUN);
      panel.run(4);
      String shows =
          String.format(
              "%02x %02x %02x %02x",
              begin.address(), begin.data(), panel.lights().data(), panel.processor().at(0x40));
      assertThat(shows)
          .as("%s", way)
          .isEqualTo(
              switch (way) {
                case SWITCHES_TO_PROCESSOR -> wrongAddress(panel, shows);
                case SWITCHES_TO_MEMORY -> wrongBytes(begin, 0xe0, shows);
                case MEMORY_TO_PROCESSOR -> wrongBytes(begin, 0x60, shows);
                case PROCESSOR_TO_MEMORY -> "00 60 05 85";
                case MEMORY_TO_LIGHTS -> "00 e0 05 05";
                case PROCESSOR_TO_LIGHTS -> "00 60 85 05";
                case ADDRESS_TO_MEMORY -> movedCells(panel, shows);
                case ADDRESS_TO_LIGHTS -> "80 60 05 05";
              });
    }
  }

  /** Examine goes to 80, so the program lies there; what reset finds at 00 is whatever was. */
  private static String wrongAddress(FrontPanel panel, String shows) {
    assertThat(panel.processor().at(0x80)).isEqualTo(0x60);
    assertThat(panel.processor().at(0x84)).isEqualTo(0x01);
    return shows;
  }

  /** The first byte shows so, and no program runs. */
  private static String wrongBytes(FrontPanel.Lights begin, int first, String shows) {
    assertThat(begin.data()).isEqualTo(first);
    assertThat(shows).doesNotEndWith("05 05");
    return shows;
  }

  /** Every address goes to another cell, the same for all who ask: it runs as if nothing were. */
  private static String movedCells(FrontPanel panel, String shows) {
    assertThat(panel.processor().at(0x80)).isEqualTo(0x60);
    assertThat(panel.processor().at(0xc0)).isEqualTo(0x05);
    assertThat(shows).startsWith("00 60 05 ");
    return shows;
  }
}
