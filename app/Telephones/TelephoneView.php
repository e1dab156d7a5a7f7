<?php

declare(strict_types=1);

namespace App\Telephones;

use Jaunty\Core\Telephones\Model;

/** What is known of a customer's telephones beside the book. */
final readonly class TelephoneView
{
    /**
     * @param  list<Model>  $models
     * @param  array<string, string>  $codes  what the switch takes for each feature, by what it is for
     */
    public function __construct(public array $models, public array $codes)
    {
    }
}
