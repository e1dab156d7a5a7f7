<?php

declare(strict_types=1);

namespace App\Places;

use App\Access\AccessDenied;
use App\Access\CustomerNotFound;
use App\Access\Scope;
use App\Access\WithoutSignIn;
use App\Activity\ActivityLog;
use App\House\House;
use App\Models\Ability;
use App\Models\AddressAnswer;
use App\Models\AddressAsk;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use App\Security\LetterCode;
use App\Time\Clock;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Mail\Message;
use Illuminate\Support\Str;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Places\Elsewhere;
use Jaunty\Core\Places\OwnAddress;

/**
 * People who work elsewhere are asked by letter where, and say it on a page of their own. What they say is evidence;
 * the book follows when a technician takes it over.
 *
 * @phpstan-type Asked object{tenant_id: string, asked_by: string, name: string, customer: string, region: ?string,
 *     told: ?string, language: string, is_answered: bool, said: ?string}&\stdClass
 */
final readonly class ElsewhereDesk
{
    /** Long enough for a fortnight's holiday. */
    public const OPEN_DAYS = 21;

    private const LETTERS = [
        'en' => [
            'Where do you work?',
            "Hello :name,\n\nyour telephone at :customer goes where you go. If you ever call for help with it, help "
                . "is sent to the address that is known of you. Please say which that is; it takes a "
                . "minute:\n\n:link\n\nThis opens once, until :until. Do it again whenever you move.\n\n:reseller\n",
        ],
        'fr' => [
            'Où travaillez-vous?',
            "Bonjour :name,\n\nvotre téléphone chez :customer vous suit partout. Si vous appelez les secours avec, "
                . "ils sont envoyés à l’adresse qu’on connaît de vous. Dites laquelle, c’est l’affaire d’une "
                . "minute :\n\n:link\n\nCe lien s’ouvre une fois, jusqu’au :until. Refaites-le à chaque "
                . "déménagement.\n\n:reseller\n",
        ],
    ];

    public function __construct(
        private Scope $scope,
        private SitesInView $sites,
        private SummaryKeeper $summaries,
        private ActivityLog $log,
        private House $house,
        private Mailer $mailer,
        private Clock $clock,
        private ConnectionInterface $db,
        private WithoutSignIn $guests,
    ) {
    }

    /** @return list<ElsewhereView> as the technician has the book before them */
    public function all(string $technicianId, string $customer): array
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant) use (
            $technicianId,
        ): array {
            $asks = self::newest(AddressAsk::query(), $tenant, 'asked_at')->whereNull('taken_back_at')->get()
                ->keyBy('user_id');
            $answers = self::newest(AddressAnswer::query(), $tenant, 'serial')->get()->keyBy('user_id');

            return array_map(
                static fn (User $user): ElsewhereView => new ElsewhereView(
                    $user,
                    $asks->get($user->id ?? ''),
                    $answers->get($user->id ?? ''),
                ),
                Elsewhere::of($this->sites->shown($tenant, $technicianId)),
            );
        });
    }

    /**
     * Sends a letter; the ones sent before open nothing from then on. What cannot be mailed is not kept.
     *
     * @param  string  $to  a mail address
     * @param  'en'|'fr'  $language
     * @return string the code of the letter, which is nowhere else
     */
    public function ask(string $technicianId, string $customer, string $key, string $to, string $language): string
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Edit, function (TenantRow $tenant) use (
            $technicianId,
            $key,
            $to,
            $language,
        ): string {
            $book = $this->sites->entered($tenant);
            $user = self::person($book, $key);
            $this->close($tenant, (string) $user->id);
            $code = LetterCode::make();
            $now = $this->clock->now();
            $until = $now->modify('+' . self::OPEN_DAYS . ' days');
            AddressAsk::query()->insert([
                'tenant_id' => $tenant->id, 'id' => (string) Str::uuid(), 'user_id' => $user->id,
                'name' => $user->label(), 'customer' => $tenant->name, 'region' => $book->tenant->region,
                'told' => $user->emergency['address'], 'code_hash' => LetterCode::hash($code), 'sent_to' => $to,
                'language' => $language, 'asked_by' => $technicianId, 'asked_at' => $now, 'open_until' => $until,
            ]);
            $this->log->noteOf($tenant->id, $technicianId, 'asked somebody where they work', [
                'user' => $user->label(), 'to' => $to,
            ]);
            $this->send($to, $language, [
                ':name' => $user->label(), ':customer' => $tenant->name,
                // The code stands behind the #: browsers keep that part to themselves, so it is in no log.
                ':link' => (is_string($home = config('app.url')) ? $home : '') . "/where#{$code}",
                ':until' => $until->format('Y-m-d'), ':reseller' => $this->house->settings()->reseller,
            ]);

            return $code;
        });
    }

    public function takeBack(string $technicianId, string $customer, string $key): void
    {
        $this->scope->tenant($technicianId, $customer, Ability::Edit, function (TenantRow $tenant) use (
            $technicianId,
            $key,
        ): void {
            $user = self::person($this->sites->entered($tenant), $key);
            $this->close($tenant, (string) $user->id);
            $this->log->noteOf($tenant->id, $technicianId, 'took a letter back', ['user' => $user->label()]);
        });
    }

    /**
     * What a code opens, to whoever has it.
     *
     * @return Asked
     *
     * @throws AskClosed
     */
    public function asked(string $code): object
    {
        /** @var ?Asked $found */
        $found = $this->guests->do(
            fn (): mixed => $this->db->selectOne('select * from address_asked(?)', [LetterCode::hash($code)]),
        );

        return $found === null || $found->is_answered ? throw new AskClosed() : $found;
    }

    /**
     * Once for each letter.
     *
     * @throws AskClosed
     */
    public function answer(string $code, OwnAddress $address): void
    {
        $asked = $this->asked($code);
        $taken = $this->guests->do(fn (): mixed => $this->db->selectOne('select answer_address(?, ?) as taken', [
            LetterCode::hash($code), json_encode($address, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
        ]));
        if (! is_object($taken) || ($taken->taken ?? false) !== true) {
            throw new AskClosed();
        }
        $this->tellOf($asked);
    }

    /** @param Asked $asked */
    private function tellOf(object $asked): void
    {
        $what = ['said by letter where they work', ['user' => $asked->name, 'customer' => $asked->customer]];
        try {
            $this->scope->tenant($asked->asked_by, $asked->tenant_id, Ability::Read, function (TenantRow $tenant) use (
                $what,
            ): void {
                $this->log->noteOf($tenant->id, null, ...$what);
                $this->summaries->findingsSifted($tenant->id, $this->sites->entered($tenant));
            });
        } catch (AccessDenied | CustomerNotFound) {
            // Whoever asked may not look at the customer any more: the findings are sifted with the next edit.
            $this->log->note(null, ...$what);
        }
    }

    /** @param array<string, string> $with */
    private function send(string $to, string $language, array $with): void
    {
        [$subject, $text] = self::LETTERS[$language];
        $this->mailer->raw(strtr($text, $with), static function (Message $message) use ($to, $subject): void {
            $message->to($to)->subject($subject);
        });
    }

    private static function person(Book $book, string $key): User
    {
        $user = $book->find(Reference::to(Kind::User, $key));

        return $user instanceof User ? $user : throw SiteTrouble::unknownPerson($key);
    }

    private function close(TenantRow $tenant, string $userId): void
    {
        AddressAsk::query()->where('tenant_id', $tenant->id)->where('user_id', $userId)->whereNull('taken_back_at')
            ->update(['taken_back_at' => $this->clock->now()]);
    }

    /**
     * @template T of AddressAsk|AddressAnswer
     *
     * @param  Builder<T>  $query
     * @return Builder<T> the newest of each user
     */
    private static function newest(Builder $query, TenantRow $tenant, string $by): Builder
    {
        return $query->selectRaw('distinct on (user_id) *')->where('tenant_id', $tenant->id)->orderBy('user_id')
            ->orderByDesc($by);
    }
}
