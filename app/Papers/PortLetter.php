<?php

declare(strict_types=1);

namespace App\Papers;

use App\House\House;
use App\Models\PortCase;
use App\Models\TenantRow;
use App\Time\Clock;
use Illuminate\Contracts\View\Factory;
use Jaunty\Core\Numbering\E164;

/** The letter in which a customer lets their numbers be brought over, filled in and ready to be signed. */
final readonly class PortLetter
{
    private const WORDS = [
        'en' => [
            'title' => 'Letter of authority', 'to' => 'To', 'from' => 'From', 'date' => 'Date',
            'begin' => 'We ask you to let the telephone numbers below go to the carrier of :reseller, and let '
                . ':reseller arrange it in our name. They are ours, and we may ask this.',
            'numbers' => 'Numbers that move', 'name' => 'Name on the account', 'address' => 'Service address',
            'account' => 'Account', 'billing' => 'Billed to', 'day' => 'Wished on', 'hours' => 'between',
            'whole' => 'These are all numbers of the account. Close it once they have moved, and not before.',
            'part' => 'The account goes on with what is not named above. Its main number is :main from then on.',
            'signed' => 'Signed for the account', 'place' => 'Place and date', 'toll' => 'Toll-free numbers: they '
                . 'move to another responsible organisation.',
        ],
        'fr-CA' => [
            'title' => 'Lettre d’autorisation', 'to' => 'À', 'from' => 'De', 'date' => 'Date',
            'begin' => 'Nous vous demandons de laisser partir les numéros de téléphone ci-dessous vers le '
                . 'télécommunicateur de :reseller, et autorisons :reseller à l’organiser en notre nom. Ces numéros '
                . 'sont les nôtres et nous pouvons le demander.',
            'numbers' => 'Numéros à transférer', 'name' => 'Nom au compte', 'address' => 'Adresse de service',
            'account' => 'Compte', 'billing' => 'Facturé au', 'day' => 'Souhaité le', 'hours' => 'entre',
            'whole' => 'Ce sont tous les numéros du compte. Fermez-le une fois le transfert fait, et pas avant.',
            'part' => 'Le compte continue avec ce qui n’est pas nommé ci-dessus. Son numéro principal est dès lors '
                . 'le :main.',
            'signed' => 'Signé pour le compte', 'place' => 'Lieu et date', 'toll' => 'Numéros sans frais : ils '
                . 'passent à une autre organisation responsable.',
        ],
    ];

    public function __construct(private House $house, private Factory $views, private Clock $clock)
    {
    }

    /** @return string the file */
    public function of(PortCase $case, TenantRow $tenant, string $language): string
    {
        $settings = $this->house->settings();
        $words = self::WORDS[$language] ?? self::WORDS['en'];
        $wish = $case->wish();
        $said = static fn (string $number): string => E164::parse($number)->display();
        $html = $this->views->make('papers.port-letter', [
            'language' => $language, 'settings' => $settings, 'wish' => $wish, 'customer' => $tenant->name,
            'words' => array_map(static fn (string $text): string => strtr($text, [
                ':reseller' => $settings->reseller,
                ':main' => $wish->stayingMain === '' ? '__________' : $said($wish->stayingMain),
            ]), $words),
            'numbers' => array_map($said, $wish->numbers),
            'address' => implode(', ', array_filter(
                [$wish->street, $wish->city, $wish->postcode],
                static fn (string $part): bool => $part !== '',
            )),
            'hours' => $wish->hours === '' ? '' : ", {$words['hours']} " . str_replace('-', ' – ', $wish->hours),
            'billing' => $wish->billing, 'today' => $this->clock->dateIn($tenant->zone),
        ])->render();

        return PdfPaper::of($html, "{$words['title']}: {$tenant->name}", $this->clock->now());
    }
}
