/** Pictures that go to a client, and what the client says to them. */
@org.jspecify.annotations.NullMarked
package carezza.client;
