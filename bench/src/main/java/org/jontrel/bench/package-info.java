/** Benchmarks whose figures are ratios within one run; nothing here is asserted. */
package org.jontrel.bench;
