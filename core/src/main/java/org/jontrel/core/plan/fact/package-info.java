/** What plans ask of a site, and what it answers of its records: counts and examples. */
package org.jontrel.core.plan.fact;
