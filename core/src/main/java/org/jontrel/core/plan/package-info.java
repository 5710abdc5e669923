/**
 * What must be done to a site to bring it from one model to another: questions, steps, findings, decisions. Pure; the site engine answers and acts.
 */
package org.jontrel.core.plan;
