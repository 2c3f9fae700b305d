"""What is wrong with SQL text: wording, headings, authorship, and what reaches outside."""
