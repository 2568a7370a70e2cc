import Button from "@mui/material/Button";

const DressedReload = () => (
  <Button variant="outlined" onClick={() => location.reload()} className="start">
    Try again
  </Button>
);
export default DressedReload;
