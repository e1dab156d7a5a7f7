<?php

declare(strict_types=1);

namespace App\Telephones;

use Jaunty\Core\Telephones\Heard;
use Jaunty\Core\Telephones\Model;

/** What is known of a customer's telephones beside the book. */
final readonly class TelephoneView
{
    /**
     * @param  list<Model>  $models
     * @param  array<string, string>  $codes  what the switch takes for each feature, by what it is for
     * @param  ?list<Heard>  $heard  null where the switch cannot tell, or was never asked
     * @param  ?\DateTimeImmutable  $readAt  when it was asked
     * @param  ?string  $trouble  why it could not be asked now; then what is told is of before
     * @param  array<string, array{on: string, isSent: bool}>  $secrets  when each was made, by reference
     */
    public function __construct(
        public array $models,
        public array $codes,
        public ?array $heard,
        public ?\DateTimeImmutable $readAt,
        public ?string $trouble,
        public array $secrets,
    ) {
    }
}
