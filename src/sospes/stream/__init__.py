"""From stored bytes to plain text: containers, character set of the file, reading ahead."""
