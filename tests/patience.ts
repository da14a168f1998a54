import { jest } from "@jest/globals";

// A browser or a server takes longer than a function; nothing is asserted about how long.
jest.setTimeout(400_000);
