package humble.bench.panel;

import java.util.HashMap;
import java.util.Map;

/**
 * The processor once more, from its page and from nothing else: a table of what each instruction
 * does in words, taken apart. It shares no code with the one of the bench.
 */
final class PageProcessor {
  /**
   * Code, name, what it does: {@code n} is its operand, {@code m} the byte there, {@code x} the
   * byte at m.
   */
  private static final String PAGE =
      """
      00 NOP -
      01 HLT halt
      10 LDI A=n *
      11 LDA A=m *
      12 STA m=A
      13 LDX A=x *
      14 STX x=A
      20 ADD A+m C *
      21 SUB A-m C *
      22 ADI A+n C *
      23 SBI A-n C *
      30 AND A&m *
      31 ORA A|m *
      32 XOR A^m *
      33 NOT not *
      40 ROL left *
      41 ROR right *
      42 INC A+1 *
      43 DEC A-1 *
      50 JMP to
      51 JZ to Z
      52 JNZ to !Z
      53 JC to C
      54 JNC to !C
      60 INS A=s *
      61 OUT show
      """;

  private static final Map<Integer, String[]> CODES = new HashMap<>();

  static {
    PAGE.lines()
        .forEach(line -> {
          String[] words = line.strip().split(" ");
          CODES.put(Integer.parseInt(words[0], 16), words);
        });
  }

  final int[] memory;
  final Map<String, Integer> registers = new HashMap<>();

  PageProcessor(int[] memory, int a, int p, int z, int c) {
    this.memory = memory.clone();
    registers.put("A", a);
    registers.put("P", p);
    registers.put("Z", z);
    registers.put("C", c);
    registers.put("run", 1);
    registers.put("show", -1);
  }

  private int get(String name) {
    return registers.get(name);
  }

  private int next() {
    int at = get("P");
    registers.put("P", (at + 1) % 256);
    return memory[at];
  }

  void step(int switches) {
    String[] words = CODES.getOrDefault(next(), new String[] {"", "", "halt"});
    String act = words[2];
    boolean operand = act.matches("A.[nmx]|[mx]=A|to");
    int n = operand ? next() : 0;
    int m = memory[n];
    int x = memory[m];
    int result = get("A");
    switch (act) {
      case "halt" -> registers.put("run", 0);
      case "m=A" -> memory[n] = result;
      case "x=A" -> memory[m] = result;
      case "not" -> result = 255 - result;
      case "show" -> registers.put("show", result);
      case "left" -> {
        result = result * 2 + get("C");
        registers.put("C", result / 256);
      }
      case "right" -> {
        int low = result % 2;
        result = result / 2 + 128 * get("C");
        registers.put("C", low);
      }
      case "to" -> {
        String when = words.length > 3 ? words[3] : "";
        int flag = when.isEmpty() ? 1 : get(when.replace("!", ""));
        if (when.startsWith("!") ? flag == 0 : flag == 1) {
          registers.put("P", n);
        }
      }
      case "-" -> {}
      default -> {
        int other =
            switch (act.charAt(2)) {
              case 'n' -> n;
              case 'm' -> m;
              case 'x' -> x;
              case 's' -> switches;
              default -> 1;
            };
        result =
            switch (act.charAt(1)) {
              case '=' -> other;
              case '+' -> result + other;
              case '-' -> result - other;
              case '&' -> result & other;
              case '|' -> result | other;
              default -> result ^ other;
            };
        if (words.length > 3 && words[3].equals("C")) {
          registers.put("C", result < 0 || result > 255 ? 1 : 0);
        }
      }
    }
    result = Math.floorMod(result, 256);
    registers.put("A", result);
    if (words[words.length - 1].equals("*")) {
      registers.put("Z", result == 0 ? 1 : 0);
    }
  }
}
