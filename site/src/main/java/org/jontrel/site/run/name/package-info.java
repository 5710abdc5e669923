/** What names in values lead to: records and terms that are there, and those that a run makes. */
package org.jontrel.site.run.name;
