/** What is looked for may come late on a slow machine. */
import { configure } from "@testing-library/react";

configure({ asyncUtilTimeout: 20_000 });
