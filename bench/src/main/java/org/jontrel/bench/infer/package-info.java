/** How good and how quick proposals of models from workbooks are. */
package org.jontrel.bench.infer;
