<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

/** Which of the two forms of a book a schema describes. */
enum Form
{
    /** What somebody wrote: what is left out or null means its default. */
    case File;

    /** What the product writes: every field stands, defaults filled in, and null only where that says something. */
    case Canonical;
}
