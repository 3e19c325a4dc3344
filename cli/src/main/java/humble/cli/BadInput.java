package humble.cli;

import java.util.List;

/** Input or usage that cannot be used: one line per problem, exit status 2. */
final class BadInput extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final transient List<String> problems;

  BadInput(List<String> problems) {
    super(String.join("\n", problems));
    this.problems = List.copyOf(problems);
  }

  BadInput(String problem) {
    this(List.of(problem));
  }

  List<String> problems() {
    return problems;
  }
}
