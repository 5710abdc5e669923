/**
 * The made-up Tessel Navigation Trust: its model, its records and its pictures, loaded through the public API as any
 * other program would. Uses core to read and pack its own definitions, and nothing of the server.
 */
package org.jontrel.demo;
