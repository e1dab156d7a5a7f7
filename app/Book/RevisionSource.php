<?php

declare(strict_types=1);

namespace App\Book;

enum RevisionSource: string
{
    case TakingOn = 'taking-on';
    case Import = 'import';
    case Edit = 'edit';
    /** A template applied again. */
    case Template = 'template';
    /** Findings mended at many customers at once. */
    case Fix = 'fix';
    case Undo = 'undo';
}
