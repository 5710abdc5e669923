/** What all answers have in common: refusals, limits, headers, a database that is away. Uses database. */
package org.jontrel.serve.web;
