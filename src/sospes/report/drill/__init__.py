"""How a drill is told: to people in a terminal, on a page, by mail; to programs in forms that they read."""
