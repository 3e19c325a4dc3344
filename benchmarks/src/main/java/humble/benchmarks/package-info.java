/**
 * The figures of the product: scripted walks for what a person waits for, JMH for the core. Each
 * claim of speed is a ratio against something run beside it, where there is something.
 */
@NullMarked
package humble.benchmarks;

import org.jspecify.annotations.NullMarked;
