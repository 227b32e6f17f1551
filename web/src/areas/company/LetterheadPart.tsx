import { Button } from 'antd';
import { useState } from 'react';
import { ofCompany } from '../../api/changes';
import { removeLetterhead, type CompanyView } from '../../api/generated';
import { answer } from '../../api/problem';
import { upload } from '../../api/upload';
import { FilePick } from '../../form/FilePick';
import { useAct } from '../../form/useAct';
import { useKey } from '../../form/useKey';

/** The picture at the head of what is printed. It is not part of the form: it holds as soon as it is chosen. */
export function LetterheadPart({ company, disabled }: { company: CompanyView; disabled: boolean }) {
  const act = useAct(ofCompany);
  const once = useKey();
  // The address of the picture stays the same when another is chosen.
  const [shown, setShown] = useState(0);
  const send = async (file: File) => {
    const done = await act(() => upload('/api/company/letterhead', file), 'It is printed from now on.');
    if (done) setShown(shown + 1);
  };
  return (
    <div className="letterhead">
      {company.hasLetterhead ? (
        <img src={`/api/company/letterhead?shown=${shown}`} alt="The picture at the head of letters" />
      ) : (
        <span className="muted small">No picture is printed at the head of letters.</span>
      )}
      {!disabled && (
        <span className="row-gap">
          <FilePick accept="image/png,image/jpeg" label="Picture for the head of letters" onPick={(f) => void send(f)}>
            {company.hasLetterhead ? 'Choose another picture' : 'Choose a picture'}
          </FilePick>
          {company.hasLetterhead && (
            <Button
              onClick={() =>
                void act(() => answer(removeLetterhead({ headers: once })), 'No picture is printed from now on.')
              }
            >
              Take it away
            </Button>
          )}
        </span>
      )}
    </div>
  );
}
