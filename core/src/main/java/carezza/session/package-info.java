/** An opened retouch at work: its renderer, its regions, its deliveries. */
package carezza.session;
