<?php

declare(strict_types=1);

namespace App\Demo;

/** What each customer has said to callers, in words of their own: one of them in French. */
final class OwnWords
{
    private const FRENCH = 'fr-CA';

    private const SCRIPTS = [
        'ardent-road-veterinary' => [
            'welcome' => 'Ardent Road Veterinary, for animals great and small.',
        ],
        'bellwether-credit-union' => [
            'welcome' => 'Bellwether Credit Union. A member service representative will be right with you.',
            'closed' => 'Bellwether Credit Union is closed. Leave your name and number, never your account number, and '
                . 'a member service representative will call you back.',
        ],
        'coldharbour-boatyard' => [
            'welcome' => 'Coldharbour Boatyard. One moment, somebody is coming in from the slip.',
            'closed' => 'The yard is shut. Say which boat it is about, and we will ring you when the tide allows.',
        ],
        'dunlin-ferry-line' => [
            'welcome' => 'Dunlin Ferry Line. Sailings go as planned unless you hear otherwise here.',
            'closed' => 'The ferry office is closed. Leave a message, and the purser will call you back.',
        ],
        'east-pier-museum' => [
            'welcome' => 'East Pier Museum, at the end of the pier since 1911.',
            'closed' => 'The museum is closed. Please leave a message for the curators.',
        ],
        'gannet-physiotherapy' => [
            'welcome' => 'Gannet Physiotherapy. Please have the name of your therapist ready.',
        ],
        'harrowgate-timber' => [
            'welcome' => 'Harrowgate Timber, yard and orders.',
            'closed' => 'The saws are off for today. Leave your order after the tone, with the length and the grade.',
        ],
        'inlet-property-care' => [
            'welcome' => 'Inlet Property Care, looking after your place while you are away.',
            'closed' => 'Inlet Property Care is closed. If water is running, say so first, then your address.',
        ],
        'juniper-lane-surgery' => [
            'welcome' => 'Juniper Lane Surgery. Thank you for holding.',
        ],
        'kittiwake-brewing' => [
            'welcome' => 'You have reached Kittiwake Brewing, where the tide comes in and the beer goes out.',
        ],
        'lantern-street-law' => [
            'welcome' => 'Lantern Street Law.',
            'closed' => 'Our office is closed. Nothing you say on this line makes us your lawyers; please leave your '
                . 'name and number.',
        ],
        'northquay-seed-feed' => [
            'welcome' => 'Ici Northquay Seed and Feed, semences et moulées. Un instant, s’il vous plaît.',
            'closed' => 'Le magasin est fermé. Laissez-nous un message, et nous vous rappellerons dès l’ouverture.',
            'holiday' => 'Le magasin est fermé pour le jour férié. Laissez-nous un message, et nous vous rappellerons '
                . 'le prochain jour ouvrable.',
        ],
        'osier-basketworks' => [
            'welcome' => 'Osier Basketworks, willow and rush.',
            'closed' => 'The workshop is closed. Please say what you would like woven, and we will ring you back.',
        ],
        'puffin-cove-hotel' => [
            'welcome' => 'Puffin Cove Hotel, good day.',
        ],
        'quill-tern-insurance' => [
            'welcome' => 'Quill and Tern Insurance. If you are calling about a claim, keep your policy at hand.',
            'closed' => 'Our offices are closed. Leave your policy number, and an adjuster will call you back.',
        ],
        'redshank-couriers' => [
            'welcome' => 'Redshank Couriers. Your call will be taken in turn.',
            'comfort' => 'Our dispatchers are on the road with you. To leave a message instead, press 9.',
        ],
        'sandpiper-freight' => [
            'welcome' => 'Sandpiper Freight, road and sea.',
            'closed' => 'The depot is closed. Leave your consignment number, and we will trace it first thing.',
        ],
    ];

    /** Who answers in French. */
    private const SPEAKS_FRENCH = ['northquay-seed-feed'];

    /** @return list<array{object: string, path: string, value: string}> as a technician would enter them */
    public static function of(string $customer): array
    {
        $edits = [];
        $isFrench = in_array($customer, self::SPEAKS_FRENCH, true);
        if ($isFrench) {
            $edits[] = ['object' => "tenant:{$customer}", 'path' => 'language', 'value' => self::FRENCH];
            $edits[] = ['object' => 'attendant:main', 'path' => 'language', 'value' => self::FRENCH];
        }
        foreach (self::SCRIPTS[$customer] ?? [] as $prompt => $script) {
            $edits[] = ['object' => "prompt:{$prompt}", 'path' => 'script', 'value' => $script];
            if ($isFrench) {
                $edits[] = ['object' => "prompt:{$prompt}", 'path' => 'language', 'value' => self::FRENCH];
            }
        }

        return $edits;
    }
}
