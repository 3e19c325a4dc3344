/** What is wrong: suspects, what readings make of them, and the measurement worth making next. */
@NullMarked
package humble.core.mend;

import org.jspecify.annotations.NullMarked;
