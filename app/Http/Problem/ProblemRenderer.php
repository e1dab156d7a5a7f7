<?php

declare(strict_types=1);

namespace App\Http\Problem;

use App\Access\AccessDenied;
use App\Access\CustomerNotFound;
use App\Book\CannotUndo;
use App\Book\CannotWaive;
use App\Book\ClashesFound;
use App\Book\NothingToEnter;
use App\Book\NumberNotFree;
use App\Book\UnusableEdits;
use App\CallerIdentity\IdentityRefused;
use App\Files\FileTrouble;
use App\Http\Resources\AnswersResource;
use App\Http\Resources\DraftResource;
use App\Places\AskClosed;
use App\Places\SiteTrouble;
use App\Ports\NotTheirNumber;
use App\Ports\PortRefused;
use App\Prompts\StudioTrouble;
use App\Push\GateShut;
use App\Push\PushUnderWay;
use App\Secrets\CannotReveal;
use App\Security\InvitationClosed;
use App\Security\SignInRefused;
use App\Stock\CarrierTrouble;
use App\Stock\OrderRefused;
use App\Switching\NoSwitch;
use App\Switching\SwitchTrouble;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\LostConnectionDetector;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Log;
use Illuminate\Validation\ValidationException;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Calls\OneCall\UnusableScript;
use Jaunty\Core\Change\ChangeError;
use Jaunty\Core\Ports\PortLack;
use Jaunty\Core\Prompts\UnusableAudio;
use Jaunty\Core\Sentences\UnreadableCall;
use Jaunty\Core\Templates\UnusableAnswers;
use Jaunty\Core\Templates\UnusableBatch;
use Predis\CommunicationException;
use Predis\Connection\Resource\Exception\StreamInitException;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;

/**
 * Says every failure of the API as problem details. What the person can mend is said in full; our own faults get a
 * reference.
 */
final class ProblemRenderer
{
    /** Expected answers, not faults: nothing to log. */
    private const EXPECTED = [
        AccessDenied::class, AskClosed::class, CustomerNotFound::class, InvitationClosed::class,
        CannotUndo::class, ClashesFound::class,
        NothingToEnter::class, NumberNotFree::class,
        GateShut::class, PushUnderWay::class,
        IdentityRefused::class, NotTheirNumber::class, OrderRefused::class, PortRefused::class,
        SignInRefused::class,
        SiteTrouble::class, SwitchTrouble::class,
        CarrierTrouble::class,
        NoSwitch::class,
        FileTrouble::class,
        StudioTrouble::class, UnusableAudio::class, UnusableBook::class, UnusableEdits::class, ChangeError::class,
        UnusableAnswers::class, UnusableBatch::class,
        CannotWaive::class, CannotReveal::class, UnreadableCall::class, UnusableScript::class,
    ];

    public static function install(Exceptions $exceptions): void
    {
        $exceptions->dontReport(self::EXPECTED);
        $exceptions->report(FaultLog::write(...))->stop();
        $exceptions->render(static function (\Throwable $fault, Request $request): JsonResponse|Response|null {
            return $request->is('api/*') ? self::problem($fault)->toResponse() : self::page($fault);
        });
    }

    /** Outside the API there are only screens: what is none is told in plain words, not by the framework's own page. */
    private static function page(\Throwable $fault): ?Response
    {
        return $fault instanceof HttpExceptionInterface
            ? new Response(self::http($fault)->detail . "\n", $fault->getStatusCode(), [
                'Content-Type' => 'text/plain; charset=utf-8',
            ])
            : null;
    }

    private static function problem(\Throwable $fault): Problem
    {
        return match (true) {
            $fault instanceof AuthenticationException => new Problem(
                401,
                'sign-in-needed',
                'Not signed in',
                'Sign in to go on. What you had entered is kept on the server.',
            ),
            $fault instanceof SignInRefused => self::signIn($fault),
            $fault instanceof CustomerNotFound => new Problem(
                404,
                'not-found',
                'No such customer',
                $fault->getMessage(),
            ),
            $fault instanceof AccessDenied => new Problem(403, 'not-granted', 'Not granted', $fault->getMessage()),
            $fault instanceof InvitationClosed, $fault instanceof AskClosed => new Problem(
                410,
                'invitation-closed',
                'Not open any more',
                $fault->getMessage(),
            ),
            $fault instanceof ValidationException => self::validation($fault),
            $fault instanceof UnusableAnswers => self::answers($fault),
            $fault instanceof UnreadableCall => new Problem(
                422,
                'unreadable-call',
                'This call is not understood',
                self::sentence($fault->getMessage()),
                [new FieldFault($fault->getMessage(), '/sentence')],
                more: ['at' => $fault->at],
            ),
            $fault instanceof UnusableScript => new Problem(
                422,
                'unreadable-call',
                'This call cannot be made',
                self::sentence($fault->getMessage()),
                [new FieldFault($fault->getMessage(), '/sentence')],
                more: ['at' => 0],
            ),
            $fault instanceof UnusableBook => new Problem(
                422,
                'unusable',
                'This cannot stand in the book',
                self::sentence($fault->cause),
                [self::bookFault($fault)],
            ),
            $fault instanceof UnusableEdits => new Problem(
                422,
                'unusable',
                'This cannot stand in the book',
                self::sentence($fault->faults[0]->cause),
                array_map(self::bookFault(...), $fault->faults),
            ),
            $fault instanceof ChangeError => new Problem(
                409,
                'changed-meanwhile',
                'The book has changed',
                self::sentence($fault->getMessage()),
                [
                    new FieldFault($fault->getMessage(), object: (string) $fault->object, path: $fault->path),
                ],
            ),
            $fault instanceof ClashesFound => new Problem(
                409,
                'clash',
                'Changed by somebody else',
                $fault->getMessage(),
                more: ['clashes' => array_map(DraftResource::clash(...), $fault->clashes)],
            ),
            $fault instanceof NothingToEnter => new Problem(
                409,
                'nothing-to-enter',
                'Nothing to enter',
                $fault->getMessage(),
            ),
            $fault instanceof NumberNotFree => new Problem(
                409,
                'number-not-free',
                'Number not free',
                $fault->getMessage(),
                [new FieldFault($fault->getMessage(), object: "number:{$fault->number}")],
            ),
            $fault instanceof CannotUndo => new Problem(409, 'cannot-undo', 'Cannot be undone', $fault->getMessage()),
            $fault instanceof CannotReveal => new Problem(409, 'cannot-reveal', 'Not shown', $fault->getMessage()),
            $fault instanceof CannotWaive => new Problem(409, 'cannot-waive', 'Cannot be waived', $fault->getMessage()),
            $fault instanceof GateShut => new Problem(409, 'gate-shut', 'Not pushed', $fault->getMessage()),
            $fault instanceof PushUnderWay => new Problem(
                409,
                'push-under-way',
                'A push is under way',
                $fault->getMessage(),
            ),
            $fault instanceof SwitchTrouble => new Problem(
                502,
                'switch-trouble',
                'The switch did not answer as it should',
                self::sentence($fault->getMessage()) . ' Nothing was changed; try again.',
            ),
            $fault instanceof NotTheirNumber => new Problem(
                422,
                'invalid',
                'Some of this cannot be used',
                $fault->getMessage(),
                [new FieldFault($fault->getMessage(), "/numbers/{$fault->place}")],
            ),
            $fault instanceof UnusableBatch => new Problem(
                422,
                'invalid',
                'Some of this cannot be used',
                $fault->getMessage(),
                [new FieldFault($fault->getMessage(), "/batch/{$fault->field}")],
            ),
            $fault instanceof IdentityRefused => new Problem(
                422,
                'invalid',
                'Not done',
                $fault->getMessage(),
                [new FieldFault($fault->getMessage(), "/{$fault->field}")],
            ),
            $fault instanceof PortRefused => new Problem(
                $fault->lacks === [] ? 409 : 422,
                $fault->lacks === [] ? 'port' : 'invalid',
                'Not done',
                $fault->getMessage(),
                array_map(
                    static fn (PortLack $lack): FieldFault => new FieldFault($lack->why, "/{$lack->at}"),
                    $fault->lacks,
                ),
            ),
            $fault instanceof OrderRefused => new Problem(409, 'order', 'Not done', $fault->getMessage()),
            $fault instanceof SiteTrouble => new Problem(
                $fault->status,
                'site-trouble',
                'Not noted',
                $fault->getMessage(),
                $fault->field === null ? [] : [new FieldFault($fault->getMessage(), "/{$fault->field}")],
            ),
            $fault instanceof NoSwitch => new Problem(409, 'no-switch', 'No switch', $fault->getMessage()),
            $fault instanceof CarrierTrouble => new Problem(
                502,
                'carrier-trouble',
                'Not done at the carrier',
                self::sentence($fault->getMessage()),
            ),
            $fault instanceof FileTrouble => new Problem(503, 'files-trouble', 'Not kept', $fault->getMessage()),
            $fault instanceof StudioTrouble => new Problem(502, 'studio-trouble', 'Not spoken', self::sentence(
                $fault->getMessage(),
            )),
            $fault instanceof UnusableAudio => new Problem(
                422,
                'unusable-audio',
                'This recording cannot be used',
                $fault->getMessage(),
                [new FieldFault($fault->getMessage(), '/audio')],
            ),
            $fault instanceof TransportExceptionInterface => new Problem(
                502,
                'letter-not-sent',
                'The letter was not sent',
                'The mail server did not take it. Nothing was entered; try again.',
            ),
            $fault instanceof HttpExceptionInterface => self::http($fault),
            self::isOutOfReach($fault) => new Problem(
                503,
                'out-of-reach',
                'Not answered for the moment',
                'The database of this house, or what keeps its sign-ins, cannot be reached. Whether what you sent was '
                    . 'entered is not known: try again in a moment, and look before you send it again.',
                headers: ['Retry-After' => '5'],
            ),
            default => self::ours($fault),
        };
    }

    /** The database or Redis went away, or is not there yet: nobody's mistake, and soon over. */
    private static function isOutOfReach(\Throwable $fault): bool
    {
        return $fault instanceof CommunicationException || $fault instanceof StreamInitException
            || $fault instanceof \PDOException
            // Class 08 and 57P01 to 57P03: https://www.postgresql.org/docs/15/errcodes-appendix.html
            && (preg_match('/SQLSTATE\[(08|57P0[1-3])/', $fault->getMessage()) === 1
                || (new LostConnectionDetector())->causedByLostConnection($fault));
    }

    private static function signIn(SignInRefused $fault): Problem
    {
        $errors = $fault->field === null ? [] : [new FieldFault($fault->getMessage(), "/{$fault->field}")];
        $headers = $fault->retryAfter === null ? [] : ['Retry-After' => (string) $fault->retryAfter];

        return new Problem(
            $fault->status,
            'sign-in-refused',
            'Not signed in',
            $fault->getMessage(),
            $errors,
            headers: $headers,
        );
    }

    private static function validation(ValidationException $fault): Problem
    {
        $errors = [];
        foreach ($fault->errors() as $field => $messages) {
            foreach (is_array($messages) ? $messages : [] as $message) {
                $errors[] = new FieldFault(
                    is_string($message) ? $message : 'is not allowed here',
                    '/' . str_replace('.', '/', (string) $field),
                );
            }
        }

        return new Problem(
            422,
            'invalid',
            'Some of this cannot be used',
            $errors[0]->detail ?? 'Some of this cannot be used.',
            $errors,
        );
    }

    private static function answers(UnusableAnswers $fault): Problem
    {
        return new Problem(
            422,
            'answers',
            'Some answers need another look',
            'Nothing was made yet. Mend the marked answers.',
            AnswersResource::faults($fault->faults),
        );
    }

    /** `user:ines.legs[0].seconds` names the object and the field that screens show. */
    private static function bookFault(UnusableBook $fault): FieldFault
    {
        if (preg_match('/^(?<object>[a-z]+:[^\s]+?)\.(?<path>[a-zA-Z][^\s]*)$/D', $fault->path, $found) !== 1) {
            return new FieldFault($fault->cause, object: $fault->path === '' ? null : $fault->path);
        }

        return new FieldFault(
            $fault->cause,
            object: $found['object'],
            path: str_replace('.', '/', (string) preg_replace('/\[\d+\].*/', '', $found['path'])),
        );
    }

    private static function http(HttpExceptionInterface $fault): Problem
    {
        return match ($fault->getStatusCode()) {
            404 => new Problem(404, 'not-found', 'Not found', 'There is nothing at this address.'),
            405 => new Problem(405, 'method', 'Not done this way', 'This address does not take such a request.'),
            413 => new Problem(413, 'too-large', 'Too large', 'This is more than the server takes at once.'),
            419 => new Problem(
                419,
                'page-too-old',
                'This page is too old',
                'Reload the page and do it again; drafts are kept on the server.',
            ),
            429 => new Problem(429, 'too-many', 'Too many requests', 'Wait a little and go on.', headers: self::headers(
                $fault,
            )),
            default => new Problem(
                $fault->getStatusCode(),
                'refused',
                'Not done',
                $fault->getMessage() === '' ? 'The server refused this.' : $fault->getMessage(),
            ),
        };
    }

    /** @return array<string, string> */
    private static function headers(HttpExceptionInterface $fault): array
    {
        $headers = [];
        foreach ($fault->getHeaders() as $name => $value) {
            if (is_scalar($value)) {
                $headers[(string) $name] = (string) $value;
            }
        }

        return $headers;
    }

    private static function ours(\Throwable $fault): Problem
    {
        $reference = bin2hex(random_bytes(4));
        Log::error("fault {$reference} was " . $fault::class . " at {$fault->getFile()}:{$fault->getLine()}");

        return new Problem(
            500,
            'our-fault',
            'Our fault',
            "Something went wrong here; nothing of what you sent was entered. Say reference "
                . "{$reference} when you report it.",
            more: ['reference' => $reference],
        );
    }

    private static function sentence(string $text): string
    {
        return rtrim(mb_strtoupper(mb_substr($text, 0, 1)) . mb_substr($text, 1), '.') . '.';
    }
}
